# frozen_string_literal: true

module SheetTrace
  module Flatten
    # How far the angles round each inner vertex of a disc are from a full turn: nowhere where it can be laid flat.
    # Source: Descartes' angle defect, the Gauss curvature of a polyhedron; do Carmo, "Differential Geometry of Curves
    #   and Surfaces", 4-5.
    module AngleDefect
      # @param piece [Cut::Piece] a disc
      # @return [Numo::DFloat] n, radians from 0; 0 on the border
      def self.call(piece)
        sums = angle_sums(piece)
        sums[piece.border.first] = 2 * Math::PI
        (sums - (2 * Math::PI)).abs
      end

      # The angles of the triangles at each vertex together.
      def self.angle_sums(piece)
        corner = Array.new(3) { |k| piece.positions[piece.triangles[true, k], true] }
        angles =
          Array.new(3) do |k|
            a = corner[(k + 1) % 3] - corner[k]
            b = corner[(k + 2) % 3] - corner[k]
            Numo::NMath.atan2(Geometry::Vectors.lengths(Geometry::Vectors.cross(a, b)), Geometry::Vectors.dot(a, b))
          end
        VertexPairs.new(piece.triangles, piece.positions.shape[0]).by_vertex(angles)
      end
      private_class_method :angle_sums
    end
  end
end
