# frozen_string_literal: true

module SheetTrace
  class Mesh
    # The edges of a mesh, each once. E edges; a corner stands for the edge to the corner that follows it.
    #
    # vertices [Numo::Int64] E x 2, the lower index first
    # corner_edges [Numo::Int64] C edge indices; uses [Numo::Int64] E: faces at each edge
    # forward [Numo::Bit] C: 1 where the corner's edge runs from the lower to the higher vertex
    Edges =
      Struct.new(:vertices, :corner_edges, :uses, :forward, keyword_init: true) do
        def initialize(...)
          super
          each(&:freeze)
          freeze
        end

        def count = uses.size

        # @return [Array(Numo::Int64, Numo::Int64)] pairs of corners that share an edge of just two faces
        def paired_corners
          order = corner_edges.sort_index
          order = order[uses[corner_edges[order]].eq(2).where]
          return [Numo::Int64.zeros(0)] * 2 if order.empty?

          [order[(0...order.size).step(2).to_a], order[(1...order.size).step(2).to_a]]
        end
      end
  end
end
