# frozen_string_literal: true

module SheetTrace
  class UvMap
    # How each triangle of the model maps to a plane: the 2 x 2 matrix J from mm in the triangle's own
    # frame (x along its first edge, seen from outside) to units of the plane: px on a sheet, mm on a flat map.
    class Jacobians
      # @return [Numo::DFloat] K areas on the model, mm2; 0 for a triangle of no area
      attr_reader :area_mm2

      # @param positions_mm [Array<Numo::DFloat>] the three corners of each triangle on the model, K x 3 each
      # @param places [Array<Numo::DFloat>] where they lie on the plane, K x 2 each
      # @return [Jacobians]
      def self.call(positions_mm, places) = new(positions_mm, places)

      def initialize(corner, places)
        e1 = corner[1] - corner[0]
        e2 = corner[2] - corner[0]
        normal = Geometry::Vectors.cross(e1, e2)
        @x_axis = Geometry::Vectors.unit(e1)
        @y_axis = Geometry::Vectors.cross(Geometry::Vectors.unit(normal), @x_axis)
        @area_mm2 = Geometry::Vectors.lengths(normal) * 0.5
        solve(places, Geometry::Vectors.lengths(e1), Geometry::Vectors.dot(e2, @x_axis), Geometry::Vectors.dot(e2, @y_axis))
      end
      private_class_method :new

      # @return [Numo::DFloat] K: plane area per mm2; on a sheet (y down) negative where the outside shows
      def determinant = (@a * @d) - (@b * @c)

      # @return [Array(Numo::DFloat, Numo::DFloat)] K larger and K smaller singular values, plane units per mm
      def singular_values
        keep = Numo::NMath.hypot((@a + @d) / 2, (@c - @b) / 2)
        turn = Numo::NMath.hypot((@a - @d) / 2, (@c + @b) / 2)
        [keep + turn, (keep - turn).abs]
      end

      # @param vectors [Numo::DFloat] K x 3 directions on the model
      # @return [Array(Numo::DFloat, Numo::DFloat)] their shares along each triangle, carried to the plane: x, y
      def on_plane(vectors)
        x = Geometry::Vectors.dot(vectors, @x_axis)
        y = Geometry::Vectors.dot(vectors, @y_axis)
        [(@a * x) + (@b * y), (@c * x) + (@d * y)]
      end

      # @return [Array<Numo::DFloat>] xx, xy, yy, K each: squared mm per plane unit, 0 where J has no inverse
      def metric
        det = determinant
        det[~invertible] = Float::INFINITY
        ia, ib, ic, id = [@d, -@b, -@c, @a].map { |entry| entry / det }
        [(ia * ia) + (ic * ic), (ia * ib) + (ic * id), (ib * ib) + (id * id)]
      end

      # @return [Numo::DFloat] K areas, 0 where J has no inverse
      def invertible_area_mm2 = area_mm2 * Numo::DFloat.cast(invertible)

      private

      def solve(q, width, shift, height)
        q1 = q[1] - q[0]
        q2 = q[2] - q[0]
        flat = height.eq(0) | width.eq(0)
        width = width.copy.tap { |column| column[flat] = Float::INFINITY }
        height = height.copy.tap { |column| column[flat] = Float::INFINITY }
        @area_mm2[flat] = 0.0
        @a, @c = [0, 1].map { |axis| q1[true, axis] / width }
        @b, @d = [[0, @a], [1, @c]].map { |axis, first| (q2[true, axis] - (first * shift)) / height }
      end

      def invertible
        large, small = singular_values
        (small > large * 1e-9) & (area_mm2 > 0)
      end
    end
  end
end
