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
      # @return [Array<Array<Array(Float, Float, Float)>>] n x 3: shares of the parent's corners in each corner
      attr_reader :shares
      # @return [Array<Integer, nil>] 3 n half-edges on the other side
      attr_reader :across

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
        gather(over)
        piece = Cut::Piece.of_triangles(positions, triangles)
        @developable = piece.disc? && AngleDefect.call(piece).max < FLAT_RAD
        nil while !developable? && @parents.size < MOST && part_long_edges
        put_in_spot
        @across = joined_half_edges
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

      # @return [Numo::DFloat] v x 3
      def positions = Numo::DFloat.cast(places)

      # @return [Numo::Int32] n x 3
      def triangles = Numo::Int32.cast(vertices).reshape(count, 3)

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
        @settled = []
        @shares = Array.new(list.size) { [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]] }
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
            numbers[root(roots, corner)] ||= begin
              @places << @surface.places[@surface.vertices[(3 * list[corner / 3]) + (corner % 3)]]
              @places.size - 1
            end
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
      #
      # @return [Boolean] whether there was one
      def part_long_edges
        middles = {}
        count.times do |row|
          next if @settled[row]

          ends = too_long(row)
          next @settled[row] = true unless ends

          middles[edge(*ends)] ||= begin
            @places << Triple.middle(@places[ends[0]], @places[ends[1]])
            @places.size - 1
          end
        end
        split(middles) if middles.any?
        middles.any?
      end

      # @return [Integer] the same from either end
      def edge(from, to) = from < to ? (from << 32) | to : (to << 32) | from

      # @return [Array(Integer, Integer), nil] ends of the longest edge that is too long for how far it is
      def too_long(row)
        a, b, c = @vertices[3 * row, 3]
        least = (@reach * STEP)**2
        edges = [[squared(a, b), a, b], [squared(b, c), b, c], [squared(c, a), c, a]]
        edges.select! { |length2, *| length2 > least }
        edges.sort_by! { |length2, *| -length2 } if edges.size > 1
        _, *ends =
          edges.find do |length2, from, to|
            far = Triple.distance_to_line(@spot, @places[from], @places[to])
            far <= @reach * 1.1 && length2 > (COARSER * far)**2
          end
        ends if ends.any?
      end

      def squared(from, to) = Triple.squared_distance(@places[from], @places[to])

      def split(middles)
        count.times do |row|
          own = @vertices[3 * row, 3]
          a, b, c = own
          found = [middles[edge(a, b)], middles[edge(b, c)], middles[edge(c, a)]]
          next if found.none?

          corners = own.zip(@shares[row])
          first, *others = HalveEdges.call(corners, halved(corners, found)).map(&:transpose)
          @vertices[3 * row, 3], @shares[row] = first
          @settled[row] = nil
          others.each { |piece| add(@parents[row], *piece) }
        end
      end

      def add(parent, vertices, shares)
        @parents << parent
        @vertices.concat(vertices)
        @shares << shares
        @settled << nil
      end

      # @return [Array] middles of the edges from each corner to the next; nil where one stays whole
      def halved(corners, middles)
        corners.each_index.map { |k| middles[k] && [middles[k], Triple.middle(corners[k][1], corners[(k + 1) % 3][1])] }
      end

      # The piece that the spot lies on becomes three.
      def put_in_spot
        row, =
          parents.each_index.select { |i| parents[i] == triangle }.map { |i| [i, within(i)] }.max_by { |_, w| w.min }
        inside = within(row).map { |share| [share, OFF_SIDES].max }
        inside = inside.map { |share| share / inside.sum }
        own = Triple.blend(shares[row], inside)
        @spot = Triple.blend(@surface.corners(triangle), own)
        @places << @spot
        corners = @vertices.slice!(3 * row, 3).zip(@shares.delete_at(row))
        [@parents, @settled].each { |list| list.delete_at(row) }
        [corners, corners.rotate].transpose.each { |a, b| add(triangle, *[a, b, [seed, own]].transpose) }
      end

      # @return [Array(Float, Float, Float)] shares of a piece's corners in the spot
      def within(row)
        (_, x0, y0), (_, x1, y1), (_, x2, y2) = shares[row]
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
