# frozen_string_literal: true

module SheetTrace
  module Pick
    # The cheapest cuts that make every piece a disc; with a limit, those that bring the stretch of pieces below it too.
    module Suggestion
      extend Way

      finds "edges"
      number :limit, 1.0001..1000, "mean stretch that is good enough", label: "the limit of stretch", optional: true
      faces :picked, "whose pieces are meant; all if nil", optional: true

      def self.call(job, _kind, limit:, picked:)
        faces = picked && Piece.call(job, "faces", picked: picked)
        costs = Flatten::CutCosts.call(job.mesh, art_faces: Job::ArtFaces.call(job))
        opened = Flatten::OpenUp.call(job.mesh, job.seams, faces: faces, costs: costs)
        found = (opened & ~job.seams).where.to_a
        limit ? (found + easing(job.mesh, opened, faces, limit, costs)).uniq : found
      end

      def self.easing(mesh, seams, faces, limit, costs)
        pieces = Flatten::Cut.call(mesh, seams).face_pieces
        wanted = faces || (0...mesh.face_count).to_a
        wanted
          .group_by { |face| pieces[face] }
          .values
          .flat_map do |own|
            Flatten::SuggestReliefCuts.call(mesh, seams, own, limit: limit, costs: costs).edges
          rescue MeshError
            []
          end
      end
      private_class_method :easing
    end
  end
end
