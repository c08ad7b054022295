# frozen_string_literal: true

module SheetTrace
  module Operations
    # Draws seams for the next laying flat, or sews them up: the sheet stays as it is until then.
    #
    # edges [Array<Integer>] of the mesh; cut [Boolean] false to sew up
    # mirrored [Boolean] whether the same is done on the other side of the plane of symmetry
    MarkSeams = Struct.new(:edges, :cut, :mirrored, keyword_init: true) do
      def initialize(edges:, cut: true, mirrored: false)
        super
        freeze
      end

      def validate(job)
        [Checks.edges(job, edges), Checks.flag(cut, "cut"), Checks.flag(mirrored, "mirrored"),
         mirrored == true && job.mesh.symmetry.nil? ? "the model has no plane of symmetry, so there is no other side" : nil].compact
      end

      def apply(job)
        both = mirrored ? edges + job.mesh.symmetry.edge_twins[edges].to_a : edges
        job.with(drawn_seams: job.seams.copy.tap { |seams| seams[both] = cut ? 1 : 0 })
      end

      def describe(job, after)
        pieces = Flatten::Cut.call(after.mesh, after.seams).piece_count
        changed = (job.seams ^ after.seams).count_true
        "#{Words.count(changed, "edge")} #{cut ? "cut" : "sewn up"}: #{Words.count(pieces, "piece")}"
      end
    end
  end
end
