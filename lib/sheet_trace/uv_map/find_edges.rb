# frozen_string_literal: true

module SheetTrace
  class UvMap
    # Lists the edges of the polygons on the sheet, each once, with whether it is an outline.
    module FindEdges
      # @param uv_map [UvMap]
      # @return [Edges] sorted by their points
      def self.call(uv_map)
        mesh = uv_map.mesh
        corners = uv_map.face_mapped[mesh.corner_faces].where
        from = Numo::Int64.cast(uv_map.corner_points[corners])
        to = Numo::Int64.cast(uv_map.corner_points[mesh.next_corners[corners]])
        low = Numo::Int64.minimum(from, to)
        high = Numo::Int64.maximum(from, to)
        ranks, count = Geometry::Grouped.pair_ranks(low, high, uv_map.point_count)
        rows = Geometry::Grouped.representatives(ranks, count)
        points = Numo::Int32.zeros(count, 2)
        points[true, 0] = low[rows]
        points[true, 1] = high[rows]
        uses = Geometry::Grouped.sum(Numo::Int32.cast(ranks), Numo::DFloat.ones(ranks.size), count)
        corner_edges = Numo::Int64.new(mesh.corner_faces.size).fill(-1)
        corner_edges[corners] = ranks unless corners.empty?
        Edges.new(
          points: points,
          islands: uv_map.point_islands[points[true, 0]],
          outline: uses.eq(1),
          mesh_edges: mesh.edges.corner_edges[corners[rows]],
          corner_edges: corner_edges
        )
      end
    end
  end
end
