# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Lists the edges of a mesh. O(n log n) in corners.
    module FindEdges
      # @param mesh [Mesh]
      # @return [Edges]
      def self.call(mesh)
        from = Numo::Int64.cast(mesh.corner_vertices)
        to = from[mesh.next_corners]
        ranks, count =
          Geometry::Grouped.pair_ranks(Numo::Int64.minimum(from, to), Numo::Int64.maximum(from, to), mesh.vertex_count)
        rows = Geometry::Grouped.representatives(ranks, count)
        vertices = Numo::Int64.zeros(count, 2)
        vertices[true, 0] = Numo::Int64.minimum(from, to)[rows]
        vertices[true, 1] = Numo::Int64.maximum(from, to)[rows]
        Edges.new(vertices: vertices, corner_edges: ranks, uses: ranks.bincount(minlength: count), forward: from < to)
      end
    end
  end
end
