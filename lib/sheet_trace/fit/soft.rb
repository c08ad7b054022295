# frozen_string_literal: true

module SheetTrace
  module Fit
    # Brings places of a flat net of triangles onto others, and lets the rest follow smoothly and as stiffly as it
    # can: each triangle is turned rather
    # than stretched. Nothing is turned over: where a landmark asks for that, all go only as far as they can.
    # Source: Liu, Zhang, Xu, Gotsman, Gortler, "A Local/Global Approach to Mesh Parameterization", SGP 2008, with
    #   positions held as in
    #   Sorkine, Alexa, "As-Rigid-As-Possible Surface Modeling", SGP 2007. O(one factorisation, and a solution a round).
    class Soft
      ROUNDS = 60
      STILL = 1e-4 # of the net's size
      HELD = 1e5
      LEAST = 1e-3 # a triangle keeps at least this share of its area
      private_constant :ROUNDS, :STILL, :HELD, :LEAST

      # @param places [Numo::DFloat] n x 2
      # @param triangles [Numo::Int32] t x 3 rows of places
      # @param anchors [Array<Array(Array<Integer>, Array<Float>)>] m: three rows of places, and their shares
      # @param to [Numo::DFloat] m x 2
      # @return [Numo::DFloat] n x 2
      def self.call(places, triangles, anchors, to) = new(places, triangles, anchors).send(:fitted, to)

      def initialize(places, triangles, anchors)
        @rest = places
        @from = [0, 1, 2].map { |k| triangles[true, k].copy }
        @areas = areas(places)
        @anchors = anchors
        @weights = cotangents
      end
      private_class_method :new

      private

      def fitted(to)
        places = @rest
        rows, columns, values = matrix
        Geometry::SparseSolver.open(rows, columns, values, @rest.shape[0]) do |solver|
          ROUNDS.times do |round|
            Progress.tell(round.fdiv(ROUNDS))
            after = solver.solve(right(turns(places), to)).transpose.copy
            break unless after.isfinite.all?

            moved = (after - places).abs.max
            places = after
            break if moved < STILL * [@rest.abs.max, 1.0].max * 1e-2
          end
        end
        whole(places)
      end

      # As far on the way as no triangle collapses.
      def whole(places)
        return places if sound?(places)

        low = 0.0
        high = 1.0
        20.times do
          middle = (low + high) / 2
          sound?(@rest + ((places - @rest) * middle)) ? low = middle : high = middle
        end
        @rest + ((places - @rest) * low)
      end

      def sound?(places) = ((areas(places) * @areas) >= (@areas**2) * LEAST).all?

      def areas(places)
        a, b, c = @from.map { |points| [0, 1].map { |axis| places[points, axis] } }
        ((b[0] - a[0]) * (c[1] - a[1])) - ((b[1] - a[1]) * (c[0] - a[0]))
      end

      # Half the cotangent of the corner across each side, of triangles with area.
      def cotangents
        flat = Numo::DFloat.maximum(@areas.abs, 1e-9 * [@areas.abs.max, 1e-12].max)
        [0, 1, 2].map do |k|
          across = @from[(k + 2) % 3]
          u, v =
            [@from[k], @from[(k + 1) % 3]].map { |ends| [0, 1].map { |axis| @rest[ends, axis] - @rest[across, axis] } }
          Numo::DFloat.maximum(((u[0] * v[0]) + (u[1] * v[1])) / flat / 2, 1e-3)
        end
      end

      def matrix
        entries =
          [0, 1, 2].flat_map do |k|
            i = Numo::Int64.cast(@from[k])
            j = Numo::Int64.cast(@from[(k + 1) % 3])
            w = @weights[k]
            [[i, i, w], [j, j, w], [Numo::Int64.minimum(i, j), Numo::Int64.maximum(i, j), -w]]
          end
        hold = @weights.map(&:mean).sum * HELD
        held = @anchors.flat_map { |points, shares| pairs(points, shares).map { |i, j, share| [i, j, share * hold] } }
        loose = Numo::Int64.new(@rest.shape[0]).seq # so that what no triangle holds stays
        [
          *entries,
          held.transpose.map { |column| Numo::DFloat.cast(column) },
          [loose, loose, Numo::DFloat.zeros(loose.size) + 1e-9]
        ].transpose.map.with_index do |parts, column|
          type = column == 2 ? Numo::DFloat : Numo::Int64
          Geometry::Grouped.joined(parts.map { |part| type.cast(part) })
        end
      end

      def pairs(points, shares)
        points.zip(shares).product(points.zip(shares)).filter_map { |(i, s), (j, t)| [i, j, s * t] if i <= j }
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] cosine and sine of each triangle's turn
      def turns(places)
        dots = Numo::DFloat.zeros(@areas.size)
        crosses = dots.copy
        3.times do |k|
          before, now = [@rest, places].map { |all| side(all, k) }
          dots += @weights[k] * ((before[0] * now[0]) + (before[1] * now[1]))
          crosses += @weights[k] * ((before[0] * now[1]) - (before[1] * now[0]))
        end
        length = Numo::DFloat.maximum(Numo::NMath.hypot(dots, crosses), 1e-300)
        [dots / length, crosses / length]
      end

      def side(places, k) = [0, 1].map { |axis| places[@from[k], axis] - places[@from[(k + 1) % 3], axis] }

      # @return [Numo::DFloat] 2 x n
      def right(turns, to)
        cos, sin = turns
        sums = Numo::DFloat.zeros(2, @rest.shape[0])
        3.times do |k|
          x, y = side(@rest, k)
          [(cos * x) - (sin * y), (sin * x) + (cos * y)].each_with_index do |value, axis|
            sums[axis, true] += Geometry::Grouped.sum(@from[k], @weights[k] * value, @rest.shape[0]) -
              Geometry::Grouped.sum(@from[(k + 1) % 3], @weights[k] * value, @rest.shape[0])
          end
        end
        hold = @weights.map(&:mean).sum * HELD
        @anchors.each_with_index do |(points, shares), m|
          points.zip(shares) { |point, share| sums[true, point] += to[m, true] * share * hold }
        end
        sums + (@rest.transpose * 1e-9)
      end
    end
  end
end
