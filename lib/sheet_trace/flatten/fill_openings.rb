# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Lays a piece with openings flat without cutting from one to the next: they are closed by a fan each for the start,
    # and free after it.
    module FillOpenings
      # Mean stretch up to which openings are left as they are.
      MOST_STRETCH = 1.02

      # @param piece [Cut::Piece]
      # @return [Boolean] whether it has several borders, and would be a disc if all but one were closed
      def self.openings?(piece) = piece.border.size > 1 && !piece.twisted? && piece.euler == 2 - piece.border.size

      # @param piece [Cut::Piece] of which .openings? holds
      # @return [Numo::DFloat] n x 2, the unit of the positions; no triangle is turned over
      def self.call(piece) = Unfold.call(piece, start: Unfold.call(filled(piece))[0...piece.positions.shape[0], true])

      # @return [Cut::Piece] a disc; a vertex more for each opening
      def self.filled(piece)
        outer = piece.border.max_by { |loop| length(piece, loop) }
        inner = piece.border.reject { |loop| loop.equal?(outer) }
        count = piece.positions.shape[0]
        middles = inner.map { |loop| piece.positions[loop, true].mean(axis: 0).to_a }
        fans = inner.each_with_index.flat_map { |loop, i| loop.zip(loop.rotate).map { |a, b| [b, a, count + i] } }
        triangles = piece.triangles.concatenate(Numo::Int32.cast(fans), axis: 0)
        Cut::Piece.new(
          faces: piece.faces,
          points: piece.points,
          positions: piece.positions.concatenate(Numo::DFloat.cast(middles), axis: 0),
          triangles: triangles,
          border: [outer]
        )
      end

      def self.length(piece, loop)
        Geometry::Vectors.lengths(piece.positions[loop, true] - piece.positions[loop.rotate, true]).sum
      end
      private_class_method :filled, :length
    end
  end
end
