# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Makes flat pieces follow a plane of symmetry: of two that mirror each other the second becomes the mirror image
    # of the first;
    # one that the plane passes through becomes its own.
    class Mirror
      # @param cut [Cut] along seams that follow the plane
      # @param symmetry [Mesh::Symmetry]
      def initialize(cut, symmetry)
        @cut = cut
        @symmetry = symmetry
        @point_twins = Numo::Int64.new(cut.point_vertices.size).seq
        @point_twins[cut.corner_points] = Numo::Int64.cast(cut.corner_points[symmetry.corner_twins])
        freeze
      end

      # @param index [Integer] of a piece
      # @return [Integer] the piece that it mirrors; itself where the plane passes through
      def twin(index) = @cut.face_pieces[@symmetry.face_twins[@cut.face_pieces.eq(index).where[0]]]

      # @param piece [Cut::Piece]
      # @param places [Numo::DFloat] n x 2 of it
      # @return [Array(Numo::Int64, Numo::DFloat)] points of the piece that it mirrors, and where they lie
      def image(piece, places) = [@point_twins[piece.points], places * Numo::DFloat[[-1, 1]]]

      # Evens out both halves, and brings the line between them upright or level, whichever is nearer.
      #
      # @param piece [Cut::Piece] that the plane passes through
      # @param places [Numo::DFloat] n x 2
      # @return [Numo::DFloat] n x 2; as they were where that would turn a triangle over
      def even(piece, places)
        twins = twins_within(piece)
        flat = places - places.mean(axis: 0).reshape(1, 2)
        angle = line(flat, twins)
        # The line stands at half the angle; a quarter turn is upright.
        upright, side = angle.abs > Math::PI / 2 ? [Math::PI * (angle / angle.abs), [-1, 1]] : [0.0, [1, -1]]
        turned = Geometry::Affine.turn((upright - angle) / 2).apply(flat)
        evened = (turned + (turned[twins, true] * Numo::DFloat[side])) / 2
        Unfold.turned(piece, evened).positive? ? places : evened
      end

      private

      def twins_within(piece)
        local = Numo::Int64.zeros(@cut.point_vertices.size)
        local[piece.points] = Numo::Int64.new(piece.points.size).seq
        local[@point_twins[piece.points]]
      end

      # Where a reflection takes z to e^(i t) conj(z), the t that fits best is the angle of the sum of z times its twin.
      def line(flat, twins)
        x, y = [flat[true, 0].copy, flat[true, 1].copy]
        Math.atan2(((x * y[twins]) + (y * x[twins])).sum, ((x * x[twins]) - (y * y[twins])).sum)
      end
    end
  end
end
