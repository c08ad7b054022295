# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The pieces that a job's seams part the surface into, what each still lacks to be laid flat, and ends of seams that lead nowhere with
    # the edges that would close them.
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
        ends = job.drawn_seams ? SheetTrace::Flatten::OpenEnds.call(job.mesh, job.seams) : []
        { count: cut.piece_count, pieces: pieces, open_ends: ends.map(&:to_h) }
      end
    end
  end
end
