# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The pieces that a job's seams part the surface into, and what each still lacks to be laid flat.
    module PiecesJson
      MOST = 300
      private_constant :MOST

      # @param job [SheetTrace::Job]
      # @return [Hash]
      def self.call(job)
        cut = SheetTrace::Flatten::Cut.call(job.mesh, job.seams)
        pieces = (0...[cut.piece_count, MOST].min).map do |index|
          piece = cut.piece(index)
          { piece: index, faces: piece.faces.size, part: job.mesh.parts[job.mesh.face_parts[piece.faces[0]]], missing_cut: piece.missing_cut,
            some_faces: piece.faces.to_a.first(400) }
        end
        { count: cut.piece_count, pieces: pieces }
      end
    end
  end
end
