# frozen_string_literal: true

module SheetTrace
  class UvMap
    # For each outline of a map, the island that lies on the other side of it on the model.
    module FindNeighbours
      # @param uv_map [UvMap]
      # @return [Numo::Int32] in the order of UvMap#edges; -1 for inner edges and open borders
      def self.call(uv_map)
        mesh = uv_map.mesh
        edges = uv_map.edges
        first, second = mesh.edges.paired_corners
        neighbours = Numo::Int32.new(edges.outline.size).fill(-1)
        return neighbours if first.empty?

        rows = rows_by_points(edges, uv_map.point_count)
        [[first, second], [second, first]].each { |from, to| fill(uv_map, neighbours, rows, from, to) }
        neighbours[(~edges.outline).where] = -1 unless edges.outline.all?
        neighbours
      end

      # Edges of the map are sorted by their points, so a sorted search finds them.
      def self.rows_by_points(edges, count) = (Numo::Int64.cast(edges.points[true, 0]) * count) + edges.points[true, 1]

      def self.fill(uv_map, neighbours, rows, from, to)
        mesh = uv_map.mesh
        faces = mesh.corner_faces[from]
        others = mesh.corner_faces[to]
        kept = (uv_map.face_mapped[faces] & uv_map.face_mapped[others]).where
        return if kept.empty?

        a = Numo::Int64.cast(uv_map.corner_points[from[kept]])
        b = Numo::Int64.cast(uv_map.corner_points[mesh.next_corners[from[kept]]])
        keys = (Numo::Int64.minimum(a, b) * uv_map.point_count) + Numo::Int64.maximum(a, b)
        neighbours[places(rows, keys)] = uv_map.face_islands[others[kept]]
      end

      # Where each key stands among rows, which are sorted and hold every key.
      def self.places(rows, keys)
        ranks, = Geometry::Grouped.ranks(rows.concatenate(keys))
        place = Numo::Int64.zeros(ranks.max + 1)
        place[ranks[0...rows.size]] = Numo::Int64.new(rows.size).seq
        place[ranks[rows.size..]]
      end
      private_class_method :rows_by_points, :fill, :places
    end
  end
end
