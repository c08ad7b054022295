# frozen_string_literal: true

module SheetTrace
  module Operations
    # Draws seams for the next laying flat, or closes them: the sheet stays as it is until then.
    class MarkSeams < Operation
      edges
      flag :cut, "false to close", default: true
      flag :mirrored, "whether the same is done on the other side of the plane of symmetry", default: false

      def call(job)
        refuse("the model has no plane of symmetry, so there is no other side") if mirrored && job.mesh.symmetry.nil?

        both = mirrored ? edges + job.mesh.symmetry.edge_twins[edges].to_a : edges
        after = job.with(drawn_seams: job.seams.copy.tap { |seams| seams[both] = cut ? 1 : 0 })
        pieces = Flatten::Cut.call(after.mesh, after.seams).piece_count
        change(
          after,
          "#{Phrases.count((job.seams ^ after.seams).count_true, "edge")} #{cut ? "cut" : "closed"}: " \
            "#{Phrases.count(pieces, "piece")}"
        )
      end
    end
  end
end
