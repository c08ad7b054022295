# frozen_string_literal: true

module SheetTrace
  module Operations
    # Draws seams anew: none at all, or those of the present map, whatever was drawn.
    #
    # from [String] "none" or "map"
    StartSeams = Struct.new(:from, keyword_init: true) do
      def initialize(from:)
        super
        freeze
      end

      def validate(_job) = [Checks.one_of(from, "from", %w[none map])].compact

      def apply(job) = job.with(drawn_seams: from == "none" ? Flatten::Seams.none(job.mesh) : nil)

      def describe(_job, after)
        pieces = Flatten::Cut.call(after.mesh, after.seams).piece_count
        "#{from == "none" ? "All seams sewn up" : "Seams as the map has them"}: #{Words.count(pieces, "piece")}"
      end
    end
  end
end
