# frozen_string_literal: true

module SheetTrace
  module Flatten
    # A mesh cut open along seams: which faces still hang together, and the points that vertices fall into where seams
    # part them. Edges of one face, or of three and more, are cut anyway. O(n) in corners.
    class Cut
      # One piece of the surface.
      #
      # faces [Numo::Int64]; points [Numo::Int64] of the cut; positions [Numo::DFloat] n x 3, model units, in their
      # order
      # triangles [Numo::Int32] t x 3 indices into positions; border [Array<Array<Integer>>] loops of those indices
      Piece =
        Struct.new(:faces, :points, :positions, :triangles, :border, keyword_init: true) do
          # @param uv_map [UvMap]
          # @param island [Integer]
          # @return [Piece] the island as it is cut, with the map's points
          def self.of_island(uv_map, island)
            points = uv_map.island_points[island]
            local = Numo::Int32.zeros(uv_map.point_count)
            local[points] = Numo::Int32.new(points.size).seq
            triangles = local[uv_map.triangles.points[uv_map.island_triangles[island], true]]
            new(
              faces: uv_map.island_faces[island],
              points: points,
              positions: uv_map.mesh.positions[uv_map.point_vertices[points], true],
              triangles: triangles,
              border: Border.call(triangles)
            )
          end

          # @param positions [Numo::DFloat] n x 3; triangles [Numo::Int32] t x 3
          # @return [Piece] that is all there is: its faces and points are numbered as they come
          def self.of_triangles(positions, triangles)
            new(
              faces: Numo::Int64.new(triangles.shape[0]).seq,
              points: Numo::Int64.new(positions.shape[0]).seq,
              positions: positions,
              triangles: triangles,
              border: Border.call(triangles)
            )
          end

          # V - E + F, 1 for a disc. Inner edges have two sides, those of the border one; told by sides, as diagonals
          # of two faces may
          # have the same ends.
          def euler = positions.shape[0] - (((3 * triangles.shape[0]) + border.sum(&:size)) / 2) + triangles.shape[0]

          # @return [Boolean] one border, no hole or handle, and one outside
          def disc? = !twisted? && border.size == 1 && euler == 1

          # @return [Boolean] whether two neighbours run along their edge in the same direction
          def twisted?
            from, to = directed_edges
            ranks, count =
              Geometry::Grouped.ranks(
                (Numo::Int64.minimum(from, to) * positions.shape[0]) + Numo::Int64.maximum(from, to)
              )
            ways = (Numo::DFloat.cast(from < to) * 2) - 1
            (Geometry::Grouped.sum(ranks, ways, count).abs > 1).any?
          end

          # @return [Array(Numo::Int64, Numo::Int64)] both ends of each triangle's edges, as the triangles run
          def directed_edges
            columns = Array.new(3) { |k| Numo::Int64.cast(triangles[true, k]) }
            [columns, columns.rotate].map { |some| some.first.concatenate(*some[1..]) }
          end

          # @return [String, nil] the cut that is missing; nil for a disc
          def missing_cut
            return if disc?
            return "its faces disagree about the outside; turn them round, or cut it where it twists" if twisted?
            return "it is closed; cut it open along a line" if border.empty?
            return "it has #{border.size} borders; cut from one to the next" if border.size > 1

            "it has a handle; cut round it"
          end
        end

      # @return [Numo::Int32] C points; F pieces
      attr_reader :corner_points, :face_pieces
      # @return [Numo::Int32] P vertices and pieces of the points
      attr_reader :point_vertices, :point_pieces
      # @return [Integer]
      attr_reader :piece_count
      # @return [Mesh]
      attr_reader :mesh

      # @param mesh [Mesh]
      # @param seams [Numo::Bit] E
      # @return [Cut]
      def self.call(mesh, seams) = new(mesh, seams)

      def initialize(mesh, seams)
        @mesh = mesh
        pairs = kept_pairs(seams)
        @face_pieces, @piece_count =
          numbered(mesh.face_count, *pairs.map { |corners| corners.empty? ? [] : mesh.corner_faces[corners].to_a })
        @corner_points, count = numbered(mesh.corner_count, *welds(*pairs))
        first = Geometry::Grouped.representatives(Numo::Int64.cast(@corner_points), count)
        @point_vertices = mesh.corner_vertices[first]
        @point_pieces = @face_pieces[mesh.corner_faces[first]]
        freeze
      end
      private_class_method :new

      # @return [Piece]
      def piece(index)
        faces = face_pieces.eq(index).where
        points = point_pieces.eq(index).where
        local = Numo::Int32.zeros(point_vertices.size)
        local[points] = Numo::Int32.new(points.size).seq
        cut = mesh.triangulation
        triangles = local[corner_points[cut.corners[face_pieces[cut.faces].eq(index).where, true]]]
        Piece.new(
          faces: Numo::Int64.cast(faces),
          points: Numo::Int64.cast(points),
          positions: mesh.positions[point_vertices[points], true],
          triangles: triangles,
          border: Border.call(triangles)
        )
      end

      # @return [UvMap] with places for the points, one island a piece
      def to_map(places)
        UvMap.new(
          mesh: mesh,
          points: places,
          point_vertices: point_vertices,
          point_islands: point_pieces,
          corner_points: corner_points,
          face_mapped: Numo::Bit.ones(mesh.face_count),
          face_islands: face_pieces,
          island_count: piece_count
        )
      end

      private

      # Pairs of corners whose common edge is not cut.
      def kept_pairs(seams)
        first, second = @mesh.edges.paired_corners
        return first, second if first.empty?

        kept = seams[@mesh.edges.corner_edges[first]].eq(0).where
        [first[kept], second[kept]]
      end

      # Corners at the two ends of each kept edge, one to one.
      def welds(first, second)
        return [], [] if first.empty?

        following = @mesh.next_corners
        start = second.copy
        stop = Numo::Int64.cast(following[second])
        # Neighbours that agree run along their edge in opposite directions.
        rows = (@mesh.edges.forward[first] ^ @mesh.edges.forward[second]).where
        start[rows], stop[rows] = [stop[rows].copy, start[rows].copy] unless rows.empty?
        [first.to_a + following[first].to_a, start.to_a + stop.to_a]
      end

      # Union-find with numbers in the order of first members.
      def numbered(size, first, second)
        roots = (0...size).to_a
        i = 0
        while i < first.size
          a = first[i]
          b = second[i]
          a = roots[a] = roots[roots[a]] until roots[a] == a
          b = roots[b] = roots[roots[b]] until roots[b] == b
          a < b ? roots[b] = a : roots[a] = b
          i += 1
        end
        count = 0
        numbers = Array.new(size, 0)
        roots.each_with_index do |parent, child|
          root = roots[child] = roots[parent]
          if root == child
            numbers[child] = count
            count += 1
          else
            numbers[child] = numbers[root]
          end
        end
        [Numo::Int32.from_binary(numbers.pack("l*")), count]
      end
    end
  end
end
