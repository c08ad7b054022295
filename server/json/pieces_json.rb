# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The pieces that a job's seams part the surface into, what each still lacks to be laid flat, and ends of seams
    # that lead nowhere with
    # the edges that would close them.
    module PiecesJson
      MOST = 300
      SOME_FACES = 400
      private_constant :MOST, :SOME_FACES

      shape = Shape
      PIECE =
        Shape::Record.new(
          "Piece",
          piece: shape::NUMBER,
          faces: shape::NUMBER,
          name: [shape::TEXT, "by part, side and place; no two alike"],
          missing_cut: shape::TEXT.or_null,
          some_faces: shape::NUMBER.list
        )
      OPEN_END =
        Shape::Record.new(
          "OpenEnd",
          vertex: shape::NUMBER,
          gap: [shape::NUMBER.list, "edges that would close it; none where nothing is within reach"]
        )
      SHAPE = Shape::Record.new("Pieces", count: shape::NUMBER, pieces: PIECE.list, open_ends: OPEN_END.list)
      SHAPES = [PIECE, OPEN_END, SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @return [Hash]
      def self.call(job)
        cut = SheetTrace::Flatten::Cut.call(job.mesh, job.seams)
        names = SheetTrace::Flatten::NamePieces.call(cut)
        pieces =
          (0...[cut.piece_count, MOST].min).map do |index|
            piece = cut.piece(index)
            {
              piece: index,
              faces: piece.faces.size,
              name: names[index],
              missing_cut: piece.missing_cut,
              some_faces: piece.faces.to_a.first(SOME_FACES)
            }
          end
        ends = job.drawn_seams ? SheetTrace::Flatten::OpenEnds.call(job.mesh, job.seams) : []
        { count: cut.piece_count, pieces: pieces, open_ends: ends.map(&:to_h) }
      end
    end
  end
end
