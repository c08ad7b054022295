# frozen_string_literal: true

module SheetTrace
  module Operations
    # Draws seams for the next laying flat, or sews them up: the sheet stays as it is until then.
    #
    # edges [Array<Integer>] of the mesh; cut [Boolean] false to sew up
    MarkSeams = Struct.new(:edges, :cut, keyword_init: true) do
      def initialize(edges:, cut: true)
        super
        freeze
      end

      def validate(job)
        [Checks.edges(job, edges), [true, false].include?(cut) ? nil : "cut is #{cut.inspect}; give true or false"].compact
      end

      def apply(job) = job.with(drawn_seams: job.seams.copy.tap { |seams| seams[edges] = cut ? 1 : 0 })

      def describe(job, after)
        pieces = Flatten::Cut.call(after.mesh, after.seams).piece_count
        changed = (job.seams ^ after.seams).count_true
        "#{changed} #{changed == 1 ? "edge" : "edges"} #{cut ? "cut" : "sewn up"}: #{pieces} #{pieces == 1 ? "piece" : "pieces"}"
      end
    end
  end
end
