# frozen_string_literal: true

module SheetTrace
  module Geometry
    # A perspective map of the plane: (x, y) -> ((a x + b y + c) / w, (d x + e y + f) / w) with w = g x + h y + 1.
    # Immutable.
    Homography =
      Struct.new(:a, :b, :c, :d, :e, :f, :g, :h) do
        # The map that takes points nearest to others, by least squares of the distances between them.
        #
        # @param from [Numo::DFloat] n x 2; to [Numo::DFloat] n x 2, n at least 4
        # @return [Homography]
        # @raise [InputError] if they don't fix a map, as where three of four points lie on a line
        # Source: the linear start after Hartley, Zisserman, "Multiple View Geometry", 2nd edition, 4.1 and 4.4.4
        #   (points normalised first);
        #   then Gauss-Newton steps on the distances, 4.2.3.
        def self.fit(from, to)
          before, after = [from, to].map { |points| normal(points) }
          p = before.apply(from)
          q = after.apply(to)
          linear = solve_linear(p, q) or
            raise InputError.new(
                    "these points don't fix a perspective map; no three of four may lie on a line",
                    where: {
                      points: from.shape[0]
                    }
                  )
          refined = refine(linear, p, q)
          of_matrix(product(matrix_of(after.inverse), refined.matrix, matrix_of(before)))
        end

        # @return [Homography] of an affine map
        def self.of_affine(map) = new(*map.to_a, 0.0, 0.0)

        # @param points [Numo::DFloat] n x 2
        # @return [Numo::DFloat] n x 2
        def apply(points)
          x = points[true, 0]
          y = points[true, 1]
          w = (x * g) + (y * h) + 1.0
          Vectors.columns([((x * a) + (y * b) + c) / w, ((x * d) + (y * e) + f) / w])
        end

        # @return [Array<Array<Float>>] 3 x 3
        def matrix = [[a, b, c], [d, e, f], [g, h, 1.0]]

        # @return [Homography]
        # @raise [InputError] if it flattens the plane
        def inverse
          m = matrix
          cofactors =
            Array.new(3) do |i|
              Array.new(3) do |j|
                r = [0, 1, 2] - [j]
                s = [0, 1, 2] - [i]
                ((i + j).even? ? 1 : -1) * ((m[r[0]][s[0]] * m[r[1]][s[1]]) - (m[r[0]][s[1]] * m[r[1]][s[0]]))
              end
            end
          if cofactors[2][2].zero?
            raise InputError.new("a perspective map that flattens the plane can't be turned round", where: {})
          end

          self.class.of_matrix(cofactors)
        end

        # @return [Boolean] whether all points lie on one side of the line that goes to infinity
        def whole?(points) = ((points[true, 0] * g) + (points[true, 1] * h) + 1.0).min.positive?

        def self.of_matrix(m) = new(*m.flatten.first(8).map { |value| value / m[2][2] })

        # Middle at 0, mean distance from it the root of 2.
        def self.normal(points)
          middle = points.mean(axis: 0).to_a
          reach = Numo::NMath.hypot(points[true, 0] - middle[0], points[true, 1] - middle[1]).mean
          scale = reach.positive? ? Math.sqrt(2) / reach : 1.0
          Affine.scale(scale, scale) * Affine.move(*middle.map(&:-@))
        end

        def self.solve_linear(from, to)
          rows = []
          right = []
          from
            .to_a
            .zip(to.to_a) do |(x, y), (u, v)|
              rows << [x, y, 1.0, 0.0, 0.0, 0.0, -u * x, -u * y] << [0.0, 0.0, 0.0, x, y, 1.0, -v * x, -v * y]
              right << u << v
            end
          least_squares(rows, right)&.then { |values| new(*values) }
        end

        def self.least_squares(rows, right)
          columns = rows.transpose
          square = columns.map { |p| columns.map { |q| p.zip(q).sum { |x, y| x * y } } }
          LinearSystem.solve(square, columns.map { |column| column.zip(right).sum { |x, y| x * y } })
        end

        def self.refine(map, from, to)
          20.times do
            left = (to - map.apply(from)).to_a.flatten
            step = least_squares(slopes(map, from), left) or break
            better = new(*map.to_a.zip(step).map(&:sum))
            break unless ((better.apply(from) - to)**2).sum < left.sum { |value| value * value }

            map = better
          end
          map
        end

        # How the places change with each of the eight numbers.
        def self.slopes(map, from)
          places = map.apply(from).to_a
          from
            .to_a
            .zip(places)
            .flat_map do |(x, y), (u, v)|
              w = (map.g * x) + (map.h * y) + 1.0
              [[x, y, 1.0, 0.0, 0.0, 0.0, -u * x, -u * y], [0.0, 0.0, 0.0, x, y, 1.0, -v * x, -v * y]].map do |row|
                row.map { |value| value / w }
              end
            end
        end

        def self.matrix_of(affine) = [[affine.a, affine.b, affine.c], [affine.d, affine.e, affine.f], [0.0, 0.0, 1.0]]

        def self.product(*matrices) =
          matrices.reduce { |p, q| p.map { |row| q.transpose.map { |column| row.zip(column).sum { |x, y| x * y } } } }
        private_class_method :normal, :solve_linear, :least_squares, :refine, :slopes, :matrix_of, :product
      end
  end
end
