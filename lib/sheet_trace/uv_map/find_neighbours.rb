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
        return neighbours if first.empty?

        paired = (edges.corner_edges[first].ge(0) & edges.corner_edges[second].ge(0)).where
        return neighbours if paired.empty?

        [[first, second], [second, first]].each do |from, to|
          islands = uv_map.face_islands[uv_map.mesh.corner_faces[to[paired]]]
          neighbours[edges.corner_edges[from[paired]]] = islands
        end
        neighbours[(~edges.outline).where] = -1 unless edges.outline.all?
        neighbours
      end
    end
  end
end
