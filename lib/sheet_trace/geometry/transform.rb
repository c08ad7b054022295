# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Maps of space as 4 x 4 matrices (Numo::DFloat, rows first) that multiply columns of points.
    module Transform
      module_function

      def identity = Numo::DFloat.eye(4)

      # @param numbers [Array<Float>] 16, row by row
      def rows(numbers) = Numo::DFloat.cast(numbers).reshape(4, 4)

      # @param numbers [Array<Float>] 16, column by column, as glTF writes them
      def columns(numbers) = rows(numbers).transpose.copy

      def move(x, y, z) = rows([1, 0, 0, x, 0, 1, 0, y, 0, 0, 1, z, 0, 0, 0, 1])

      def scale(x, y, z) = rows([x, 0, 0, 0, 0, y, 0, 0, 0, 0, z, 0, 0, 0, 0, 1])

      # @param x, y, z, w [Float] a quaternion of any length but 0
      # Source: glTF 2.0 specification, 3.5.3 (rotation as unit quaternion x, y, z, w); Shoemake, SIGGRAPH 1985.
      def quaternion(x, y, z, w)
        length = Math.sqrt((x * x) + (y * y) + (z * z) + (w * w))
        return identity unless length.positive?

        x, y, z, w = [x, y, z, w].map { |part| part / length }
        # v + 2 w (q x v) + 2 q x (q x v), as I + 2 w Q + 2 Q Q with Q the matrix of the cross product.
        cross = rows([0, -z, y, 0, z, 0, -x, 0, -y, x, 0, 0, 0, 0, 0, 0])
        identity + (cross * (2 * w)) + (cross.dot(cross) * 2)
      end

      # A turn about an axis through the origin.
      def turn(x, y, z, angle_rad)
        length = Math.sqrt((x * x) + (y * y) + (z * z))
        return identity unless length.positive?

        sin = Math.sin(angle_rad / 2) / length
        quaternion(x * sin, y * sin, z * sin, Math.cos(angle_rad / 2))
      end

      # @param points [Numo::DFloat] n x 3
      # @return [Numo::DFloat] n x 3
      def apply(matrix, points) = points.dot(matrix[0..2, 0..2].transpose.copy) + matrix[0..2, 3].reshape(1, 3)

      # Directions that stay square to the surface.
      #
      # @param normals [Numo::DFloat] n x 3
      # @return [Numo::DFloat] n x 3 unit vectors
      def apply_to_normals(matrix, normals)
        Vectors.unit(normals.dot(cofactors(matrix).transpose.copy) * (determinant(matrix).negative? ? -1 : 1))
      end

      # @return [Float] of the upper left 3 x 3: negative where the map mirrors
      def determinant(matrix)
        a = matrix[0..2, 0..2].to_a
        (0..2).sum { |i| a[0][i] * ((a[1][(i + 1) % 3] * a[2][(i + 2) % 3]) - (a[1][(i + 2) % 3] * a[2][(i + 1) % 3])) }
      end

      # The inverse transpose of the upper left 3 x 3, times its determinant.
      def cofactors(matrix)
        a = matrix[0..2, 0..2].to_a
        Numo::DFloat.cast(
          Array.new(3) do |i|
            Array.new(3) do |j|
              r, s = [(i + 1) % 3, (i + 2) % 3]
              p, q = [(j + 1) % 3, (j + 2) % 3]
              (a[r][p] * a[s][q]) - (a[r][q] * a[s][p])
            end
          end
        )
      end

      # Turns a model whose up is another axis so that y is up, z to the front where it can be.
      #
      # @param axis [String] x, y or z
      # Source: COLLADA 1.5 specification, <up_axis>: the table of right, up and inward axes.
      def y_up_from(axis)
        {
          "x" => rows([0, -1, 0, 0, 1, 0, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1]),
          "y" => identity,
          "z" => rows([1, 0, 0, 0, 0, 0, 1, 0, 0, -1, 0, 0, 0, 0, 0, 1])
        }.fetch(axis)
      end
    end
  end
end
