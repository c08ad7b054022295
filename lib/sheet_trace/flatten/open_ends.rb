# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Ends of drawn seams that lead nowhere: vertices at which just one edge is cut and no border passes; and for each
    # the
    # shortest way on to another seam or border, which would close it.
    module OpenEnds
      # vertex [Integer]; gap [Array<Integer>] edges that would close it, empty where nothing is within reach
      End = Struct.new(:vertex, :gap, keyword_init: true)
      MOST = 200
      private_constant :MOST

      # @param mesh [Mesh]
      # @param seams [Numo::Bit] E
      # @return [Array<End>] the first 200
      def self.call(mesh, seams)
        cut = (seams | mesh.edges.uses.ne(2)).where
        return [] if cut.empty?

        ends = mesh.edges.vertices[cut, true].flatten
        counts = ends.bincount(minlength: mesh.vertex_count)
        open = counts.eq(1).where.to_a.first(MOST)
        return [] if open.empty?

        reached = counts.gt(0).where.to_a
        around = mesh.vertex_edges
        pairs = mesh.edges.vertices.to_a
        lengths = mesh.edge_lengths.to_a
        open.map do |vertex|
          End.new(
            vertex: vertex,
            gap: gap(vertex, reached - own_line(vertex, seams, around, pairs, counts), around, pairs, lengths, seams)
          )
        end
      end

      # The line that ends here, but for its far end, where it branches or ends: a way on to its middle closes nothing
      # much.
      def self.own_line(vertex, seams, around, pairs, counts)
        line = [vertex]
        edge = nil
        while (edge = around[vertex].find { |next_edge| next_edge != edge && seams[next_edge] == 1 })
          vertex = pairs[edge].sum - vertex
          line << vertex
          break if counts[vertex] != 2 || line.size > counts.size
        end
        line[0...-1]
      end

      def self.gap(vertex, goals, around, pairs, lengths, seams)
        Geometry::ShortestPath.call([vertex], goals) do |at|
          around[at].reject { |edge| seams[edge] == 1 }.map { |edge| [pairs[edge].sum - at, edge, lengths[edge]] }
        end || []
      end
      private_class_method :own_line, :gap
    end
  end
end
