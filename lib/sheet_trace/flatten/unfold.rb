# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Unfolds a disc with as little distortion as it allows, without a turned triangle: from a map that has none, by
    # steps of Newton's method on the symmetric Dirichlet energy (the sum over triangles of area times
    # s1^2 + s2^2 + s1^-2 + s2^-2), each cut short before a triangle would collapse.
    # Source: as SymmetricDirichlet; the cut: Smith, Schaefer, section 3.3.
    class Unfold
      MOST_STEPS = 40
      STILL = 0.02 # share of the energy above its least, 4, by which the last step lowered it
      USUAL_STEPS = 3
      RIGID_ROUNDS = 4
      FLAT_RAD = 1e-4
      PROXIMAL = 1e-5
      HELD = 1e5
      private_constant :STILL, :USUAL_STEPS, :RIGID_ROUNDS, :FLAT_RAD, :PROXIMAL, :HELD

      # @param piece [Cut::Piece]
      # @param pins [Hash{Integer => Array(Float, Float)}] vertex of the piece => where it stays, to the bit, if the
      #   start has it
      #   there; or else where it is drawn to, the start turned to fit two or more
      # @param start [Numo::DFloat, nil] n x 2 places without a turned triangle
      # @param weights [Numo::DFloat, nil] t: how much the shape of each triangle counts beside its area
      # @yieldparam energy [Float] mean energy less 4, after each step; a false answer stops
      # @yieldparam places [Numo::DFloat] n x 2, then
      # @return [Numo::DFloat] n x 2, the unit of the positions
      # @raise [MeshError] without a start, if the piece is no disc, naming the cut that is missing; where: {
      #   faces:, borders: }
      def self.call(piece, pins: {}, start: nil, weights: nil, &watch)
        unless start || piece.disc?
          raise MeshError.new(
                  "a piece of #{piece.faces.size} faces can't be laid flat: #{piece.missing_cut}",
                  where: {
                    faces: piece.faces.to_a.first(50),
                    borders: piece.border.size
                  }
                )
        end

        new(piece, pins, start, weights).send(:unfolded, &watch)
      end

      # @return [Integer] triangles of the piece that are turned over, or flat, at these places
      def self.turned(piece, places)
        SymmetricDirichlet.new(PlaneTriangles.new(piece.positions, piece.triangles)).turned(places)
      end

      def initialize(piece, pins, start, weights)
        @piece = piece
        @plane = PlaneTriangles.new(piece.positions, piece.triangles, weights: weights)
        @energy = SymmetricDirichlet.new(@plane)
        @count = piece.positions.shape[0]
        @pairs = VertexPairs.new(@plane.triangles, @count)
        @pins = pins
        @places = start || first_places
        @places = fitted(@places) if pins.any? && start.nil?
        @still = false
        hold
      end
      private_class_method :new

      private

      # Where the surface can be laid flat without stretch, the conformal map does it. Or else from the convex map a few
      # rigid rounds, which are cheap and come near, where they turn nothing over; or else what turns nothing over.
      def first_places
        border = @piece.border.first
        if developable?
          conformal = LeastSquaresConformal.call(@piece.positions, @piece.triangles, @piece.border)
          return conformal if conformal && Unfold.turned(@piece, conformal).zero?
        end

        convex = TutteEmbedding.call(@piece.positions, @piece.triangles, border)
        rigid = AsRigidAsPossible.call(@piece.positions, @piece.triangles, convex, rounds: RIGID_ROUNDS)
        return rigid if Unfold.turned(@piece, rigid).zero?

        conformal ||= LeastSquaresConformal.call(@piece.positions, @piece.triangles, @piece.border)
        [conformal, convex].compact
          .select { |places| Unfold.turned(@piece, places).zero? }
          .min_by { |places| @energy.mean(places) } || convex
      end

      def developable? = AngleDefect.call(@piece).max < FLAT_RAD

      # Turned and moved so that pinned vertices lie near their pins, which then pull them in.
      # Source: Umeyama, "Least-squares estimation of transformation parameters between two point patterns", IEEE
      #   PAMI 13, 1991.
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
        Geometry::SparseSolver.open(*places_of_entries, values, 2 * @count) do |solver|
          MOST_STEPS.times do |step|
            solver.update(values) unless step.zero?
            Progress.tell_steps(step + 1, usual: USUAL_STEPS)
            direction = direction(solver) or break
            @places, now = walked(direction, former)
            now = cost(@places) if hold
            stop = block_given? && yield(now - 4, @places) == false
            done = former - now < STILL * [now - 4, 1e-9].max
            former = now
            break if done || stop
          end
        end
        @places
      end

      # The energy, and what pins that are not reached yet add to it.
      def cost(places)
        return @energy.mean(places) if @still

        @energy.mean(places) +
          (
            @pins.sum { |vertex, at| ((places[vertex, 0] - at[0])**2) + ((places[vertex, 1] - at[1])**2) } * HELD /
              @plane.areas.sum
          )
      end

      # Pins that can be put into place without turning a triangle over are, and move no more.
      def hold
        return if @pins.empty? || @still

        exact = @places.copy.tap { |places| places[@pins.keys, true] = Numo::DFloat.cast(@pins.values) }
        return if @energy.turned(exact).positive?

        @places = exact
        @still = true
      end

      # Upper triangle of the 2n x 2n matrix: u with u, v with v, u with v.
      def values
        @model = @energy.model(@places)
        uu, vv = [0, 2].map { |first| @pairs.sums(within(first)) }
        uv = @pairs.ordered_sums(between)
        all = [uu, vv, uv[0...uu.size], uv[uu.size..]]
        all = all.zip(free_entries).map { |some, free| some * free } if @still
        all.first(2).each { |some| some[0...@count] += diagonal }
        all.first.concatenate(*all.drop(1))
      end

      # Corner pairs' shares where both are u, or both are v.
      #
      # @param first [Integer] number of the axis' first entry of the map
      def within(first)
        pulled = pulled(*[[0, 0], [0, 1], [0, 1], [1, 1]].map { |i, j| @model[:curvature][[first + i, first + j]] })
        (0..2).to_a.repeated_combination(2).to_h { |i, j| [[i, j], product(i, pulled[j])] }
      end

      # Corner pairs' shares of the u of one and the v of the other.
      def between
        pulled = pulled(*[[0, 2], [0, 3], [1, 2], [1, 3]].map { |pair| @model[:curvature][pair] })
        (0..2).to_a.repeated_permutation(2).to_h { |i, j| [[i, j], product(i, pulled[j])] }
      end

      # How each corner changes the slopes of the energy, [[xx, xy], [yx, yy]] being how the map does.
      def pulled(xx, xy, yx, yy)
        @plane.across.zip(@plane.up).map { |x, y| [(xx * x) + (xy * y), (yx * x) + (yy * y)] }
      end

      def product(corner, (x, y)) = (@plane.across[corner] * x) + (@plane.up[corner] * y)

      # Pairs stand twice where u meets v: the lower one's u with the higher one's v, and the other way round.
      def places_of_entries
        rows, columns = @pairs.places
        lists = [
          [rows, columns],
          [rows + @count, columns + @count],
          [rows, columns + @count],
          [@pairs.high, @pairs.low + @count]
        ]
        lists.transpose.map { |some| some.first.concatenate(*some.drop(1)) }
      end

      # 0 where an entry has to do with a vertex that is held, so that it takes no part.
      def free_entries
        @free_entries ||=
          begin
            free = Numo::DFloat.ones(@count).tap { |values| values[@pins.keys] = 0.0 }
            rows, columns = @pairs.places
            both = free[rows] * free[columns]
            [both, both, both, both[@count..]]
          end
      end

      # Keeps the matrix from being singular where nothing is pinned, and draws pins to their places.
      def diagonal
        Numo::DFloat
          .new(@count)
          .fill(@plane.areas.sum / @count * PROXIMAL / [@plane.areas.mean, Float::MIN].max)
          .tap { |values| values[@pins.keys] += HELD if @pins.any? }
      end

      # The way to where the quadratic model is least.
      def direction(solver)
        right = Numo::DFloat.zeros(1, 2 * @count)
        pulls.each_with_index do |pull, axis|
          own = @pairs.by_vertex(pull)
          @pins.each do |vertex, at|
            own[vertex] = @still ? 0.0 : own[vertex] + (HELD * (at[axis] - @places[vertex, axis]))
          end
          right[0, (axis * @count)...((axis + 1) * @count)] = own
        end
        answer = solver.solve(right)
        return unless answer.isfinite.all?

        way = Geometry::Vectors.columns([answer[0, 0...@count], answer[0, @count..-1]])
        way[@pins.keys, true] = 0.0 if @still
        way
      end

      # What each triangle pulls its three corners with, in u and in v: down the energy.
      def pulls = @model[:slopes].each_slice(2).map { |slopes| Array.new(3) { |k| -product(k, slopes) } }

      # As far along as the energy falls and no triangle collapses.
      def walked(direction, former)
        step = [1.0, 0.9 * @energy.first_collapse(@places, direction)].min
        24.times do
          places = @places + (direction * step)
          now = cost(places)
          return places, now if now < former

          step /= 2
        end
        [@places, former]
      end
    end
  end
end
