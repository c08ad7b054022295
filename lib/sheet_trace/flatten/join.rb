# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Joins pieces of a sheet map along edges of the mesh: the one across is moved, turned, scaled and, where its side
    # differs,
    # reflected, so that the edge's two ends meet. For nets of cartons, and for mending patches.
    class Join
      # @return [Numo::DFloat] C x 2, px
      attr_reader :places
      # @return [Numo::Int32] F
      attr_reader :groups

      # @param mesh [Mesh]
      # @param places [Numo::DFloat] C x 2, px
      # @param groups [Numo::Int32] F: the piece of each face
      # @param mirrored [Hash{Integer => Boolean}] of each piece
      def initialize(mesh, places, groups, mirrored)
        @mesh = mesh
        @places = places.copy
        @groups = groups.copy
        @mirrored = mirrored.dup
        first, second = mesh.edges.paired_corners
        @sides = mesh.edges.corner_edges[first].to_a.zip(first.to_a.zip(second.to_a)).to_h
      end

      # @param edge [Integer] of the mesh
      # @param keep [Integer, nil] the piece that stays; the one with more area on the sheet if nil
      # @return [Integer, nil] the piece that was joined; nil if both sides are of one piece, or one is open
      def call(edge, keep: nil)
        pair = @sides[edge] or return
        still, moving = order(pair, keep)
        stays, goes = [still, moving].map { |corner| @groups[@mesh.corner_faces[corner]] }
        return if stays == goes

        corners = @groups[@mesh.corner_faces].eq(goes).where
        move(corners, ends(still), ends(moving), @mirrored.fetch(stays, false) != @mirrored.fetch(goes, false))
        @groups[@groups.eq(goes).where] = stays
        goes
      end

      # @return [Hash{Array(Integer, Integer) => Integer}] pairs of pieces, the lower first, and the longest edge
      #   between them
      def borders
        @sides.each_with_object({}) do |(edge, (a, b)), found|
          pair = [a, b].map { |corner| @groups[@mesh.corner_faces[corner]] }.sort
          next if pair[0] == pair[1]

          found[pair] = edge if !found[pair] || length(edge) > length(found[pair])
        end
      end

      # Takes a joining back.
      #
      # @param places [Numo::DFloat] C x 2, px
      # @param groups [Numo::Int32] F
      def put_back(places, groups)
        @places = places
        @groups = groups
      end

      # @param faces [Numo::Bit] F
      # @return [Numo::DFloat] K x 3 x 2 corners of the faces' triangles, px
      def triangles_where(faces)
        cut = @mesh.triangulation
        corners = cut.corners[faces[cut.faces].where, true]
        Numo::DFloat
          .zeros(*corners.shape, 2)
          .tap { |out| 2.times { |axis| out[true, true, axis] = @places[true, axis][corners] } }
      end

      private

      def order(pair, keep)
        groups = pair.map { |corner| @groups[@mesh.corner_faces[corner]] }
        return pair if keep.nil? ? area(groups[0]) >= area(groups[1]) : groups[0] == keep

        pair.reverse
      end

      def area(piece)
        corner = triangles_where(@groups.eq(piece))
        a, b = [1, 2].map { |k| corner[true, k, true] - corner[true, 0, true] }
        ((a[true, 0] * b[true, 1]) - (a[true, 1] * b[true, 0])).abs.sum
      end

      def length(edge)
        @lengths ||=
          [0, 1].map { |k| @mesh.positions[@mesh.edges.vertices[true, k], true] }
            .then { |a, b| Geometry::Vectors.lengths(a - b) }
        @lengths[edge]
      end

      # @return [Hash{Integer => Complex}] the two vertices of a corner's edge and where they lie
      def ends(corner)
        [corner, @mesh.next_corners[corner]].to_h { |at| [@mesh.corner_vertices[at], Complex(*@places[at, true].to_a)] }
      end

      def move(corners, still, moving, reflect)
        from = moving.values_at(*still.keys)
        meeting = still.keys.map { |vertex| meeting_corners(corners, vertex, moving[vertex]) }
        from = from.map(&:conj) if reflect
        onto = still.values
        factor = from[0] == from[1] ? Complex(1) : (onto[1] - onto[0]) / (from[1] - from[0])
        turn = Geometry::Affine.new(factor.real, -factor.imaginary, 0.0, factor.imaginary, factor.real, 0.0)
        carry = Geometry::Affine.move(*onto[0].rect) * turn * Geometry::Affine.move(*(-from[0]).rect)
        carry *= Geometry::Affine.scale(1, -1) if reflect
        @places[corners, true] = carry.apply(@places[corners, true])
        # What meets, meets to the bit, so that it joins.
        meeting.zip(onto) { |some, place| some.each { |corner| @places[corner, true] = Numo::DFloat[*place.rect] } }
      end

      def meeting_corners(corners, vertex, place)
        corners[@mesh.corner_vertices[corners].eq(vertex).where].to_a.select do |corner|
          (Complex(*@places[corner, true].to_a) - place).abs < 1e-9 * (1 + place.abs)
        end
      end
    end
  end
end
