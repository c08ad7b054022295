# frozen_string_literal: true

module SheetTrace
  class UvMap
    # How each triangle of the model maps to a plane: the 2 x 2 matrix J from mm in the triangle's own
    # frame (x along its first edge, seen from outside) to units of the plane: px on a sheet, mm on a flat map.
    class Jacobians
      # @return [Numo::DFloat] K areas on the model, mm2; 0 for a triangle of no area
      attr_reader :area_mm2

      # Columns are apart ([x, y, z] and [x, y], K values each), which is twice as quick as rows.
      #
      # @param corners_mm [Array<Array<Numo::DFloat>>] the three corners of each triangle on the model
      # @param places [Array<Array<Numo::DFloat>>] where they lie on the plane
      # @return [Jacobians]
      def self.call(corners_mm, places) = new(corners_mm, places)

      # The same, for corners in rows.
      #
      # @param positions_mm [Numo::DFloat] n x 3
      # @param places [Numo::DFloat] n x 2
      # @param triangles [Numo::Int32] K x 3 indices into both
      def self.of(positions_mm, places, triangles)
        call(
          *[positions_mm, places].map do |rows|
            Array.new(3) { |k| Array.new(rows.shape[1]) { |axis| rows[true, axis][triangles[true, k]] } }
          end
        )
      end

      def initialize(corners, places)
        e1, e2 = [1, 2].map { |k| minus(corners[k], corners[0]) }
        length = Numo::NMath.sqrt(dot(e1, e1))
        normal = cross(e1, e2)
        double_area = Numo::NMath.sqrt(dot(normal, normal))
        @x_axis = unit(e1, length)
        @y_axis = cross(unit(normal, double_area), @x_axis)
        @area_mm2 = double_area * 0.5
        solve([1, 2].map { |k| minus(places[k], places[0]) }, length, dot(e2, @x_axis), dot(e2, @y_axis))
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

      # @param vectors [Array<Numo::DFloat, Float>] x, y and z of directions on the model
      # @return [Array(Numo::DFloat, Numo::DFloat)] their shares along each triangle, carried to the plane: x, y
      def on_plane(vectors)
        x = dot(@x_axis, vectors)
        y = dot(@y_axis, vectors)
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

      def solve((first, second), width, shift, height)
        flat = height.eq(0) | width.eq(0)
        if flat.any?
          width, height = [width, height].map { |column| column.copy.tap { |copy| copy[flat] = Float::INFINITY } }
          @area_mm2[flat] = 0.0
        end
        @a, @c = first.map { |column| column / width }
        @b = (second[0] - (@a * shift)) / height
        @d = (second[1] - (@c * shift)) / height
      end

      def minus(a, b) = a.zip(b).map { |p, q| p - q }
      def dot(a, b) = a.zip(b).map { |p, q| p * q }.sum
      def cross(a, b) = [[1, 2], [2, 0], [0, 1]].map { |i, j| (a[i] * b[j]) - (a[j] * b[i]) }

      def unit(vector, length)
        divisor = length.copy.tap { |copy| copy[length.eq(0)] = 1.0 }
        vector.map { |column| column / divisor }
      end

      def invertible
        large, small = singular_values
        (small > large * 1e-9) & (area_mm2 > 0)
      end
    end
  end
end
