# frozen_string_literal: true

module SheetTrace
  module Operations
    # Draws seams anew: none at all, or those of the present map, whatever was drawn.
    class StartSeams < Operation
      one_of :from, %w[none map]

      def call(job)
        after = job.with(drawn_seams: from == "none" ? Flatten::Seams.none(job.mesh) : nil)
        pieces = Flatten::Cut.call(after.mesh, after.seams).piece_count
        change(
          after,
          "#{from == "none" ? "All seams closed" : "Seams as the map has them"}: #{Phrases.count(pieces, "piece")}"
        )
      end
    end
  end
end
