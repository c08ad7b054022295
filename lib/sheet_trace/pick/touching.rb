# frozen_string_literal: true

module SheetTrace
  module Pick
    # Which vertices the elements of a kind have, and which elements have given vertices.
    module Touching
      # @param mesh [Mesh]
      # @param kind [String]
      # @return [Array(Numo::Int64, Numo::Int64)] element and vertex, one pair for each vertex of each element
      def self.pairs(mesh, kind)
        case kind
        when "faces"
          [mesh.corner_faces, Numo::Int64.cast(mesh.corner_vertices)]
        when "edges"
          [Numo::Int64.new(mesh.edges.count * 2).seq / 2, mesh.edges.vertices.flatten]
        else
          Array.new(2) { Numo::Int64.new(mesh.vertex_count).seq }
        end
      end

      # @param elements [Array<Integer>]
      # @return [Numo::Bit] V: 1 at their vertices
      def self.vertices(mesh, kind, elements)
        owners, vertices = pairs(mesh, kind)
        mine = bits(Pick.count(mesh, kind), elements)[owners].where
        bits(mesh.vertex_count, mine.empty? ? [] : vertices[mine])
      end

      # @param marked [Numo::Bit] V
      # @return [Array<Integer>] elements with a marked vertex
      def self.any(mesh, kind, marked)
        owners, vertices = pairs(mesh, kind)
        hits = marked[vertices].where
        hits.empty? ? [] : bits(Pick.count(mesh, kind), owners[hits]).where.to_a
      end

      # @param marked [Numo::Bit] V
      # @return [Array<Integer>] elements all of whose vertices are marked
      def self.all(mesh, kind, marked) = (0...Pick.count(mesh, kind)).to_a - any(mesh, kind, ~marked)

      # @return [Numo::Bit] count, 1 at the indices
      def self.bits(count, indices) = Numo::Bit.zeros(count).tap { |marks| marks[indices] = 1 unless indices.empty? }
    end
  end
end
