# frozen_string_literal: true

module SheetTrace
  class UvMap
    # Finds the islands of UVs given by corner, and gives each island points of its own.
    # Corners with the same vertex and the same UV are one, whether or not the file shares their index;
    # faces are of one island when they share an edge so.
    class Build
      # @param mesh [Mesh]
      # @param uvs [Numo::DFloat] T x 2
      # @param corner_uvs [Numo::Int32] C indices into uvs
      # @param face_mapped [Numo::Bit] F; all faces if nil
      # @param groups [Numo::Int32, nil] F numbers: faces of different groups never join, though their UVs meet
      # @return [UvMap]
      # @raise [UvError] if no face is mapped
      def self.call(mesh, uvs, corner_uvs, face_mapped = nil, groups: nil)
        raise UvError, "no face has UVs; lay the faces flat first" if face_mapped&.none?

        new(mesh, uvs, corner_uvs, face_mapped || Numo::Bit.ones(mesh.face_count), groups).send(:build)
      end

      def initialize(mesh, uvs, corner_uvs, face_mapped, groups)
        @mesh = mesh
        @uvs = uvs
        @corner_uvs = corner_uvs
        @face_mapped = face_mapped
        @groups = groups
        @corners = face_mapped[mesh.corner_faces].where # the mapped corners
      end
      private_class_method :new

      private

      def build
        face_islands, island_count = islands(welds)
        islands = face_islands[@mesh.corner_faces[@corners]]
        ranks, count = Geometry::Grouped.pair_ranks(welds[@corners], islands, [island_count, 1].max)
        rows = @corners[Geometry::Grouped.representatives(ranks, count)]
        corner_points = Numo::Int32.zeros(@mesh.corner_count)
        corner_points[@corners] = ranks
        UvMap.new(
          mesh: @mesh,
          points: @uvs[@corner_uvs[rows], true],
          point_vertices: @mesh.corner_vertices[rows],
          point_islands: face_islands[@mesh.corner_faces[rows]],
          corner_points: corner_points,
          face_mapped: @face_mapped,
          face_islands: face_islands,
          island_count: island_count
        )
      end

      # @return [Numo::Int64] C numbers, equal where vertex and UV are; 0 at corners that are not mapped
      def welds
        @welds ||=
          Numo::Int64
            .zeros(@mesh.corner_count)
            .tap do |numbers|
              first, = Geometry::Grouped.ranks(@uvs[true, 0])
              second, second_count = Geometry::Grouped.ranks(@uvs[true, 1])
              values, value_count = Geometry::Grouped.pair_ranks(first, second, second_count)
              numbers[@corners], =
                apart(
                  *Geometry::Grouped.pair_ranks(
                    @mesh.corner_vertices[@corners],
                    values[@corner_uvs[@corners]],
                    value_count
                  )
                )
            end
      end

      def apart(ranks, count)
        return ranks, count unless @groups

        Geometry::Grouped.pair_ranks(@groups[@mesh.corner_faces[@corners]], ranks, count)
      end

      # @return [Array(Numo::Int32, Integer)] the island of each face, numbered in the order of their first faces
      def islands(welds)
        roots = (0...@mesh.face_count).to_a
        first, second = neighbours(welds)
        i = 0
        while i < first.size # a bare loop: three times as quick as a block with pairs
          a = roots[first[i]]
          b = roots[second[i]]
          join(roots, a, b) unless a == b
          i += 1
        end
        number_islands(roots)
      end

      def join(roots, a, b)
        a = roots[a] = roots[roots[a]] until roots[a] == a
        b = roots[b] = roots[roots[b]] until roots[b] == b
        a < b ? roots[b] = a : roots[a] = b
      end

      # A root is the first face of its island, so each parent is settled before its children come.
      def number_islands(roots)
        mapped = @face_mapped.to_a
        count = 0
        islands = Array.new(roots.size, 0)
        roots.each_with_index do |parent, face|
          root = roots[face] = roots[parent]
          if root != face
            islands[face] = islands[root]
          elsif mapped[face] == 1
            islands[face] = count
            count += 1
          end
        end
        [Numo::Int32.from_binary(islands.pack("l*")), count]
      end

      # @return [Array(Array<Integer>, Array<Integer>)] faces that share an edge of the map, pair by pair
      def neighbours(welds)
        from = welds[@corners]
        to = welds[@mesh.next_corners[@corners]]
        low = Numo::Int64.minimum(from, to)
        high = Numo::Int64.maximum(from, to)
        keys = (low * (high.max + 1)) + high
        order = keys.sort_index
        sorted = keys[order]
        same = sorted[1..].eq(sorted[0...-1]).where
        faces = @mesh.corner_faces[@corners[order]]
        [faces[same].to_a, faces[same + 1].to_a]
      end
    end
  end
end
