# frozen_string_literal: true

module SheetTrace
  class UvMap
    # For each outline of a map, the island that lies on the other side of it on the model.
    module FindNeighbours
      # @param uv_map [UvMap]
      # @return [Numo::Int32] in the order of UvMap#edges; -1 for inner edges and open borders
      def self.call(uv_map)
        edges = uv_map.edges
        neighbours = Numo::Int32.new(edges.outline.size).fill(-1)
        first, second = uv_map.mesh.edges.paired_corners
        [[first, second], [second, first]].each do |from, to|
          kept = (edges.corner_edges[from].ge(0) & edges.corner_edges[to].ge(0)).where
          islands = uv_map.face_islands[uv_map.mesh.corner_faces[to[kept]]]
          neighbours[edges.corner_edges[from[kept]]] = islands unless kept.empty?
        end
        neighbours[(~edges.outline).where] = -1 unless edges.outline.all?
        neighbours
      end
    end
  end
end
