# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Unfolds a disc with as little distortion as it allows, without a turned triangle: from a map that has none, by
    # steps that lower the symmetric Dirichlet energy (the sum over triangles of area times s1^2 + s2^2 + s1^-2 + s2^-2),
    # each cut short before a triangle would collapse.
    # Source: as SymmetricDirichlet; step limit and reweighting are theirs.
    class Unfold
      MOST_STEPS = 40
      STILL = 0.02 # share of the energy above its least, 4, by which the last step lowered it
      RIGID_ROUNDS = 10
      FLAT_RAD = 1e-4
      PROXIMAL = 1e-5
      HELD = 1e5
      private_constant :MOST_STEPS, :STILL, :RIGID_ROUNDS, :FLAT_RAD, :PROXIMAL, :HELD

      # @param piece [Cut::Piece]
      # @param pins [Hash{Integer => Array(Float, Float)}] vertex of the piece => where it stays; the start is turned to fit two or more
      # @param start [Numo::DFloat, nil] n x 2 places without a turned triangle
      # @yieldparam energy [Float] mean energy less 4, after each step; a false answer stops
      # @return [Numo::DFloat] n x 2, the unit of the positions
      # @raise [MeshError] if the piece is no disc, naming the cut that is missing; where: { faces:, borders: }
      def self.call(piece, pins: {}, start: nil, &watch)
        unless piece.disc?
          raise MeshError.new("a piece of #{piece.faces.size} faces can't be laid flat: #{piece.missing_cut}",
                              where: { faces: piece.faces.to_a.first(50), borders: piece.border.size })
        end

        new(piece, pins, start).send(:unfolded, &watch)
      end

      # @return [Integer] triangles of the piece that are turned over, or flat, at these places
      def self.turned(piece, places)
        SymmetricDirichlet.new(PlaneTriangles.new(piece.positions, piece.triangles)).turned(places)
      end

      def initialize(piece, pins, start)
        @piece = piece
        @plane = PlaneTriangles.new(piece.positions, piece.triangles)
        @energy = SymmetricDirichlet.new(@plane)
        @count = piece.positions.shape[0]
        @pins = pins
        @places = start || first_places
        @places = fitted(@places) if pins.any?
      end
      private_class_method :new

      private

      # Where the surface can be laid flat without stretch, the conformal map does it. Or else from the convex map a few
      # rigid rounds, which are cheap and come near, where they turn nothing over; or else what turns nothing over.
      def first_places
        border = @piece.border.first
        if developable?
          conformal = Conformal.call(@piece.positions, @piece.triangles, border)
          return conformal if conformal && Unfold.turned(@piece, conformal).zero?
        end

        convex = ConvexStart.call(@piece.positions, @piece.triangles, border)
        rigid = Rigid.call(@piece.positions, @piece.triangles, convex, rounds: RIGID_ROUNDS)
        return rigid if Unfold.turned(@piece, rigid).zero?

        conformal ||= Conformal.call(@piece.positions, @piece.triangles, border)
        [conformal, convex].compact.select { |places| Unfold.turned(@piece, places).zero? }.min_by { |places| @energy.mean(places) } || convex
      end

      # The angles round each inner vertex of such a surface add up to a full turn (Gauss).
      def developable?
        corner = Array.new(3) { |k| @piece.positions[@piece.triangles[true, k], true] }
        angles = Array.new(3) do |k|
          a = corner[(k + 1) % 3] - corner[k]
          b = corner[(k + 2) % 3] - corner[k]
          Numo::NMath.atan2(Geometry::Vectors.lengths(Geometry::Vectors.cross(a, b)), Geometry::Vectors.dot(a, b))
        end
        indices = Numo::Int32.cast(@plane.triangles[true, 0].concatenate(@plane.triangles[true, 1], @plane.triangles[true, 2]))
        sums = Geometry::Grouped.sum(indices, angles[0].concatenate(angles[1], angles[2]), @count)
        sums[@piece.border.first] = 2 * Math::PI
        (sums - (2 * Math::PI)).abs.max < FLAT_RAD
      end

      # Turned and moved so that pinned vertices lie near their pins, which then pull them in.
      # Source: Umeyama, "Least-squares estimation of transformation parameters between two point patterns", IEEE PAMI 13, 1991.
      def fitted(places)
        from = places[@pins.keys, true]
        to = Numo::DFloat.cast(@pins.values)
        return places + (to - from) if @pins.size == 1

        p, q = [from, to].map { |points| points - points.mean(axis: 0) }
        cos = (p * q).sum
        sin = ((p[true, 0] * q[true, 1]) - (p[true, 1] * q[true, 0])).sum
        turn = Geometry::Affine.turn(Math.atan2(sin, cos))
        turned = turn.apply(places)
        turned + (to.mean(axis: 0) - turned[@pins.keys, true].mean(axis: 0)).reshape(1, 2)
      end

      def unfolded
        former = cost(@places)
        rows, columns, values = matrix
        Geometry::SparseSolver.open(rows, columns, values, 2 * @count) do |solver|
          MOST_STEPS.times do |step|
            solver.update(matrix.last) unless step.zero?
            direction = direction(solver) or break
            @places, now = walked(direction, former)
            stop = block_given? && yield(now - 4) == false
            done = former - now < STILL * [now - 4, 1e-9].max
            former = now
            break if done || stop
          end
        end
        snapped
      end

      # The energy, and what pins that are not reached yet add to it.
      def cost(places)
        @energy.mean(places) + (@pins.sum { |vertex, at| ((places[vertex, 0] - at[0])**2) + ((places[vertex, 1] - at[1])**2) } * HELD / @plane.areas.sum)
      end

      # Pins that are all but reached are reached to the bit.
      def snapped
        exact = @places.copy.tap { |places| @pins.each { |vertex, at| places[vertex, true] = Numo::DFloat.cast(at) } }
        @energy.turned(exact) <= @energy.turned(@places) ? exact : @places
      end

      # Upper triangle of the 2n x 2n matrix: u with u, v with v, u with v.
      def matrix
        @model = @energy.model(@places)
        m11, m12, m22 = @model[:m].map { |entry| entry * @plane.areas }
        values = stiffness.flat_map { |_pair, product| [m11 * product, m22 * product] }
        values += crossed.map { |product| m12 * product }
        values << Numo::DFloat.new(2 * @count).fill(proximal) << held
        [*places_of_entries, values.first.concatenate(*values[1..])]
      end

      def stiffness = @stiffness ||= @plane.stiffness
      def crossed = @crossed ||= [0, 1, 2].product([0, 1, 2]).map { |i, j| stiffness[[i, j].minmax] }

      def places_of_entries
        @places_of_entries ||= begin
          corners = Array.new(3) { |k| @plane.triangles[true, k].copy }
          lists = stiffness.keys.flat_map do |i, j|
            low = Numo::Int64.minimum(corners[i], corners[j])
            high = Numo::Int64.maximum(corners[i], corners[j])
            [[low, high], [low + @count, high + @count]]
          end
          lists += [0, 1, 2].product([0, 1, 2]).map { |i, j| [corners[i], corners[j] + @count] }
          diagonal = Numo::Int64.new(2 * @count).seq
          lists << [diagonal, diagonal] << [diagonal, diagonal]
          lists.transpose.map { |some| some.first.concatenate(*some[1..]) }
        end
      end

      # Keeps the matrix from being singular where nothing is pinned.
      def proximal = @plane.areas.sum / @count * PROXIMAL / [@plane.areas.mean, Float::MIN].max

      def held
        Numo::DFloat.zeros(2 * @count).tap { |diagonal| @pins.each_key { |vertex| [vertex, vertex + @count].each { |row| diagonal[row] = HELD } } }
      end

      # Where the quadratic model is least, seen from where we are.
      def direction(solver)
        right = Numo::DFloat.zeros(1, 2 * @count)
        indices = Numo::Int32.cast(@plane.triangles[true, 0].concatenate(@plane.triangles[true, 1], @plane.triangles[true, 2]))
        pulls.each_with_index do |pull, axis|
          sums = Geometry::Grouped.sum(indices, pull[0].concatenate(pull[1], pull[2]), @count)
          right[0, (axis * @count)...((axis + 1) * @count)] = sums + (@places[true, axis] * proximal) + pinned(axis)
        end
        answer = solver.solve(right)
        Geometry::Vectors.columns([answer[0, 0...@count], answer[0, @count..-1]]) - @places if answer.isfinite.all?
      end

      # What each triangle pulls its three corners with, in u and in v.
      def pulls
        m11, m12, m22 = @model[:m]
        r11, r12, r21, r22 = @model[:turns]
        columns = [[r11, r21, @plane.across], [r12, r22, @plane.up]]
        [[m11, m12], [m12, m22]].map do |first, second|
          Array.new(3) { |k| columns.map { |x, y, change| ((first * x) + (second * y)) * change[k] }.sum * @plane.areas }
        end
      end

      def pinned(axis)
        Numo::DFloat.zeros(@count).tap { |values| @pins.each { |vertex, at| values[vertex] = HELD * at[axis] } }
      end

      # As far along as the energy falls and no triangle collapses.
      def walked(direction, former)
        step = [1.0, 0.9 * @energy.first_collapse(@places, direction)].min
        24.times do
          places = @places + (direction * step)
          now = cost(places)
          return [places, now] if now < former

          step /= 2
        end
        [@places, former]
      end
    end
  end
end
