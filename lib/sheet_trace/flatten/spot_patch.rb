# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The surface round a spot, out to a distance: pieces of its triangles, the smaller the nearer they are, as a map of
    # it is linear on each. The spot is a vertex of them. Lengths are the model's units.
    class SpotPatch
      # The longest edge near the spot, as a share of the reach; farther out they may be longer, by this share of how
      # far.
      STEP = 1 / 6.0
      COARSER = 0.3
      # No piece is parted any more once there are as many.
      MOST = 60_000
      # The spot keeps this share of a triangle off its sides.
      OFF_SIDES = 1e-3
      # How far the angles round a vertex may be off a full turn where a surface can lie flat.
      FLAT_RAD = 1e-6
      Triple = Geometry::Triple
      private_constant :STEP, :COARSER, :MOST, :OFF_SIDES, :FLAT_RAD, :Triple

      # @return [Integer] triangle of the surface that the spot lies on
      attr_reader :triangle
      # @return [Array(Float, Float, Float)] the spot, a little off the triangle's sides
      attr_reader :spot
      # @return [Array(Float, Float, Float)] where it is wanted
      attr_reader :wanted
      # @return [Array<Array(Float, Float, Float)>] by vertex
      attr_reader :places
      # @return [Array<Integer>] 3 n vertices, by half-edge that starts there
      attr_reader :vertices
      # @return [Array<Integer>] n triangles of the surface that the pieces are of
      attr_reader :parents
      # @return [Array<Array(Float, Float, Float)>] 3 n: shares of the parent's corners in each vertex
      attr_reader :shares
      # @return [Array<Integer, nil>] 3 n half-edges on the other side
      attr_reader :across
      # @return [Numo::DFloat] v x 3, the places
      attr_reader :positions
      # @return [Numo::Int32] n x 3 vertices
      attr_reader :triangles

      # @param surface [Mesh::Welded]
      # @param triangle [Integer] of it; shares [Array(Float, Float, Float)] of its corners in the spot
      # @param reach [Float] straight through space
      # @yieldparam half [Integer] half-edge of the surface
      # @yieldreturn [Boolean] whether the patch goes on over it
      def initialize(surface, triangle, shares, reach, &over)
        @surface = surface
        @triangle = triangle
        @wanted = Triple.blend(surface.corners(triangle), shares)
        shares = shares.map { |share| [share, OFF_SIDES].max }
        @own_shares = shares.map { |share| share / shares.sum }
        @spot = Triple.blend(surface.corners(triangle), @own_shares)
        @reach = reach
        @least2 = (reach * STEP)**2
        gather(over)
        piece = Cut::Piece.of_triangles(Numo::DFloat.cast(@places), Numo::Int32.cast(@vertices).reshape(count, 3))
        @developable = piece.disc? && AngleDefect.call(piece).max < FLAT_RAD
        part_long_edges unless developable?
        put_in_spot
        @across = joined_half_edges
        @positions = Numo::DFloat.cast(@places.flatten).reshape(@places.size, 3).freeze
        @triangles = Numo::Int32.cast(@vertices).reshape(count, 3).freeze
        freeze
      end

      # @return [Boolean] whether it can lie flat as it is, in one piece, and so is not parted
      def developable? = @developable

      # @return [Integer] pieces
      def count = parents.size

      # @return [Integer] vertex of the spot
      def seed = places.size - 1

      # @return [Array<Array<Integer>>] by vertex: half-edges that start there
      def around
        vertices
          .each_with_index
          .with_object(Array.new(places.size) { [] }) { |(vertex, half), all| all[vertex] << half }
      end

      private

      # Over edges, as long as a triangle comes within reach.
      def gather(over)
        rows = { @triangle => 0 }
        list = [@triangle]
        list.each do |triangle|
          3.times do |k|
            other = @surface.across[(3 * triangle) + k]
            next if other.nil? || rows[other / 3] || (over && !over.call((3 * triangle) + k))

            beside = other / 3
            corners = @surface.corners(beside)
            near = Triple.blend(corners, Geometry::NearestOnTriangle.call(corners, @spot))
            next if Triple.distance(near, @spot) > @reach

            rows[beside] = list.size
            list << beside
          end
        end
        take(list, rows, over)
      end

      # Vertices by what hangs together over edges, not by place: the two sides of a sheet share places, and no vertex
      # but on its rim.
      def take(list, rows, over)
        @parents = list
        @shares = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]] * list.size
        roots = (0...(3 * list.size)).to_a
        list.each_with_index do |triangle, row|
          3.times do |k|
            other = @surface.across[(3 * triangle) + k]
            beside = other && rows[other / 3]
            next if beside.nil? || beside < row || (over && !over.call((3 * triangle) + k))

            weld(roots, (3 * row) + k, (3 * beside) + ((other + 1) % 3))
            weld(roots, (3 * row) + ((k + 1) % 3), (3 * beside) + (other % 3))
          end
        end
        number_vertices(list, roots)
      end

      def number_vertices(list, roots)
        @places = []
        numbers = {}
        @vertices =
          roots.each_index.map do |corner|
            numbers[root(roots, corner)] ||= add_place(
              @surface.places[@surface.vertices[(3 * list[corner / 3]) + (corner % 3)]]
            )
          end
      end

      def root(roots, corner)
        corner = roots[corner] = roots[roots[corner]] until roots[corner] == corner
        corner
      end

      def weld(roots, one, other)
        a, b = [root(roots, one), root(roots, other)].sort
        roots[b] = a
      end

      # Halves the longest edge of each piece that is too long; both sides of an edge alike, so that nothing gapes.
      # Pieces that are short enough stay so, and are not looked at again.
      def part_long_edges
        rows = (0...count).to_a
        rows = split(middles_of_long_edges(rows)) while rows.any? && @parents.size < MOST
      end

      # @param rows [Array<Integer>] pieces that are looked at
      # @return [Hash{Integer => Integer}] edge => the vertex in its middle
      def middles_of_long_edges(rows)
        rows.each_with_object({}) do |row, middles|
          _, from, to = longest(row)
          middles[edge(from, to)] ||= add_place(Triple.middle(@places[from], @places[to])) if from
        end
      end

      # @return [Integer] its vertex
      def add_place(place)
        @places << place
        @places.size - 1
      end

      # @return [Integer] the same from either end
      def edge(from, to) = from < to ? (from << 32) | to : (to << 32) | from

      # @return [Array(Float, Integer, Integer), nil] the longest edge of a piece of those that are too long: the square
      #   of its length, and its ends
      def longest(row)
        a = @vertices[3 * row]
        b = @vertices[(3 * row) + 1]
        c = @vertices[(3 * row) + 2]
        edges = [[squared(a, b), a, b], [squared(b, c), b, c], [squared(c, a), c, a]].select { |own| own[0] > @least2 }
        edges.sort_by! { |own| -own[0] } if edges.size > 1
        edges.find { |own| too_long?(*own) }
      end

      # Whether an edge is too long for how far it is.
      def too_long?(length2, from, to)
        far = Triple.distance_to_line(@spot, @places[from], @places[to])
        far <= @reach * 1.1 && length2 > (COARSER * far)**2
      end

      def squared(from, to) = Triple.squared_distance(@places[from], @places[to])

      # @return [Array<Integer>] the pieces that others were parted into
      def split(middles)
        first_new = count
        parted = beside(middles).select { |row| part(row, middles) }
        [*parted, *first_new...count]
      end

      # @return [Array<Integer>] pieces with two vertices or more that are ends of edges
      def beside(middles)
        ends = Array.new(@places.size, false)
        middles.each_key { |edge| ends[edge >> 32] = ends[edge & 0xffff_ffff] = true }
        (0...count).select do |row|
          b = ends[@vertices[(3 * row) + 1]]
          c = ends[@vertices[(3 * row) + 2]]
          ends[@vertices[3 * row]] ? b || c : b && c
        end
      end

      # @return [Boolean] whether one of the piece's edges is halved, so that it was parted
      def part(row, middles)
        a, b, c = @vertices[3 * row, 3]
        found = [middles[edge(a, b)], middles[edge(b, c)], middles[edge(c, a)]]
        return false if found.none?

        own = @shares[3 * row, 3]
        halves = Array.new(3) { |k| found[k] && [found[k], Triple.middle(own[k], own[k - 2])] }
        first, *others = HalveEdges.call([[a, own[0]], [b, own[1]], [c, own[2]]], halves)
        first.each_with_index { |corner, k| @vertices[(3 * row) + k], @shares[(3 * row) + k] = corner }
        others.each { |corners| add(@parents[row], corners) }
        true
      end

      # @param corners [Array<Array(Integer, Array(Float, Float, Float))>] three: vertex, and shares of the parent's
      def add(parent, corners)
        @parents << parent
        corners.each do |vertex, shares|
          @vertices << vertex
          @shares << shares
        end
      end

      # The piece that the spot lies on becomes three.
      def put_in_spot
        row, =
          parents.each_index.select { |i| parents[i] == triangle }.map { |i| [i, within(i)] }.max_by { |_, w| w.min }
        inside = within(row).map { |share| [share, OFF_SIDES].max }
        inside = inside.map { |share| share / inside.sum }
        own = Triple.blend(shares[3 * row, 3], inside)
        @spot = Triple.blend(@surface.corners(triangle), own)
        @places << @spot
        corners = @vertices.slice!(3 * row, 3).zip(@shares.slice!(3 * row, 3))
        @parents.delete_at(row)
        corners.zip(corners.rotate) { |a, b| add(triangle, [a, b, [seed, own]]) }
      end

      # @return [Array(Float, Float, Float)] shares of a piece's corners in the spot
      def within(row)
        (_, x0, y0), (_, x1, y1), (_, x2, y2) = shares[3 * row, 3]
        double = ((x1 - x0) * (y2 - y0)) - ((y1 - y0) * (x2 - x0))
        return -1.0, -1.0, -1.0 if double.zero?

        x = @own_shares[1] - x0
        y = @own_shares[2] - y0
        second = ((x * (y2 - y0)) - (y * (x2 - x0))) / double
        third = (((x1 - x0) * y) - ((y1 - y0) * x)) / double
        [1 - second - third, second, third]
      end

      # @return [Array<Integer, nil>] by half-edge the one on the other side
      def joined_half_edges
        open = {}
        @vertices
          .each_index
          .with_object(Array.new(@vertices.size)) do |half, found|
            from = @vertices[half]
            to = @vertices[Mesh::Welded.next(half)]
            other = open.delete((to << 32) | from)
            if other
              found[half] = other
              found[other] = half
            else
              open[(from << 32) | to] = half
            end
          end
      end
    end
  end
end
