# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Lays triangles flat as rigidly as possible: in turn, the best turn of each triangle, and the
    # places that fit all turns best. In complex numbers, where a turn is a number of length 1.
    # Source: Liu, Zhang, Xu, Gotsman, Gortler, "A Local/Global Approach to Mesh Parameterization",
    #   SGP 2008, with the ARAP energy.
    class AsRigidAsPossible
      STILL = 1e-7 # share of the piece's size by which the last round moved it
      private_constant :STILL

      # @param positions_mm [Numo::DFloat] n x 3
      # @param triangles [Numo::Int32] t x 3 indices
      # @param start_mm [Numo::DFloat] n x 2 places to start from, not mirrored
      # @param rounds [Integer] at the most
      # @return [Numo::DFloat] n x 2, mm; start_mm where the solver finds nothing better
      def self.call(positions_mm, triangles, start_mm, rounds: 60) =
        new(positions_mm, triangles, start_mm).send(:relax, rounds)

      def initialize(positions, triangles, start)
        @triangles = Numo::Int64.cast(triangles)
        @start = start
        @size = start.shape[0]
        frame(Array.new(3) { |k| positions[triangles[true, k], true] })
      end
      private_class_method :new

      private

      # Triangles in their own planes, edge by edge: edge k runs from corner k to corner k + 1, and its
      # weight is the cotangent of the angle across from it.
      def frame(corner)
        jacobian_x = corner[1] - corner[0]
        side = corner[2] - corner[0]
        width = Geometry::Vectors.lengths(jacobian_x)
        width[width.eq(0)] = 1.0
        shift = Geometry::Vectors.dot(side, jacobian_x) / width
        height = Geometry::Vectors.lengths(Geometry::Vectors.cross(jacobian_x, side)) / width
        z = [complex(width * 0, width * 0), complex(width, width * 0), complex(shift, height)]
        @edges = Array.new(3) { |k| z[(k + 1) % 3] - z[k] }
        area2 = width * height
        solid = area2 > area2.max * 1e-12
        area2[~solid] = Float::INFINITY
        @weights = Array.new(3) { |k| -(@edges[(k + 1) % 3] * @edges[(k + 2) % 3].conj).real / area2 }
      end

      def complex(real, imaginary) = Numo::DComplex.cast(real) + (Numo::DComplex.cast(imaginary) * Complex(0, 1))

      def relax(rounds)
        places = complex(@start[true, 0], @start[true, 1])
        reach = places.abs.max
        Geometry::SparseSolver.open(*matrix, @size) do |solver|
          rounds.times do
            moved = solver.solve(right_side(turns(places), places[0]))
            return @start unless moved.isfinite.all?

            former = places
            places = complex(moved[0, true], moved[1, true])
            break if (places - former).abs.max < STILL * reach
          end
        end
        Geometry::Vectors.columns([places.real, places.imag])
      end

      def turns(places)
        sum =
          Array
            .new(3) do |k|
              (places[@triangles[true, (k + 1) % 3]] - places[@triangles[true, k]]) * @edges[k].conj * @weights[k]
            end
            .sum
        length = sum.abs
        length[length.eq(0)] = 1.0
        sum / length
      end

      # The weighted Laplacian; the first point is held, which makes it positive definite.
      def matrix
        from, to = ends
        weights = @weights.first.concatenate(*@weights[1..])
        diagonal = Numo::Int64.new(@size).seq
        own =
          Geometry::Grouped.sum(Numo::Int32.cast(from), weights, @size) +
            Geometry::Grouped.sum(Numo::Int32.cast(to), weights, @size)
        own[own.eq(0)] = 1.0
        @anchor = own.sum / @size
        own[0] += @anchor
        [
          diagonal.concatenate(Numo::Int64.minimum(from, to)),
          diagonal.concatenate(Numo::Int64.maximum(from, to)),
          own.concatenate(-weights)
        ]
      end

      def ends
        [
          @triangles[true, 0].concatenate(@triangles[true, 1], @triangles[true, 2]),
          @triangles[true, 1].concatenate(@triangles[true, 2], @triangles[true, 0])
        ]
      end

      def right_side(turns, anchor)
        from, to = ends.map { |numbers| Numo::Int32.cast(numbers) }
        pull = Array.new(3) { |k| turns * @edges[k] * @weights[k] }
        pull = pull.first.concatenate(*pull[1..])
        sides =
          [[pull.real, anchor.real], [pull.imag, anchor.imag]].map do |part, held|
            (Geometry::Grouped.sum(to, part, @size) - Geometry::Grouped.sum(from, part, @size)).tap do |side|
              side[0] += @anchor * held
            end
          end
        Numo::DFloat.zeros(2, @size).tap { |rows| sides.each_with_index { |side, k| rows[k, true] = side } }
      end
    end
  end
end
