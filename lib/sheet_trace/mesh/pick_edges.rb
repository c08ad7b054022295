# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Edges picked from a few clicks: whole loops, and shortest runs between two vertices.
    module PickEdges
      SHARP_COS = Math.cos(40 * Math::PI / 180)
      private_constant :SHARP_COS

      # The loop that an edge lies on: along a rim or a border from sharp edge to sharp edge, or else straight on
      # through
      # each vertex of four edges, until it closes or can't go on.
      #
      # @param mesh [Mesh]
      # @param edge [Integer]
      # @return [Array<Integer>] edge indices
      # @raise [InputError] where: { edge: }
      def self.edge_loop(mesh, edge)
        validate(edge, mesh.edges.uses.size, "edge")
        around = mesh.vertex_edges
        faces = mesh.edge_faces
        sharp = sharp_edges(mesh)
        first, second = mesh.edges.vertices[edge, true].to_a
        ahead = walk(mesh, edge, second, around, faces, sharp)
        return ahead.uniq if ahead.size > 1 && ahead.last == edge

        (walk(mesh, edge, first, around, faces, sharp).reverse + ahead).uniq
      end

      # The shortest run of edges between two vertices.
      #
      # @param mesh [Mesh]
      # @param from [Integer] vertex
      # @param to [Integer] vertex
      # @return [Array<Integer>] edge indices from one end to the other; empty if nothing joins them
      # @raise [InputError] where: { vertex: }
      def self.shortest_run(mesh, from, to)
        [from, to].each { |vertex| validate(vertex, mesh.vertex_count, "vertex") }
        cheapest_run(mesh, [from], [to], mesh.edge_lengths.to_a) || []
      end

      # The run of edges of least cost from any of some vertices to any of others.
      #
      # @param costs [Array<Float>] E
      # @return [Array<Integer>, nil] edge indices; nil if nothing joins them
      def self.cheapest_run(mesh, from, to, costs)
        ends = mesh.edges.vertices.to_a
        around = mesh.vertex_edges
        Geometry::ShortestPath.call(from, to) do |vertex|
          around[vertex].map { |edge| [ends[edge].sum - vertex, edge, costs[edge]] }
        end
      end

      def self.walk(mesh, start, vertex, around, faces, sharp)
        path = [start]
        edge = start
        loop do
          onward = onward(edge, around[vertex], faces, sharp) or break

          path << onward
          break if onward == start

          vertex = mesh.edges.vertices[onward, true].to_a.sum - vertex
          edge = onward
        end
        path
      end

      def self.onward(edge, here, faces, sharp)
        if sharp[edge] == 1
          others = here.select { |other| other != edge && sharp[other] == 1 }
          return others.first if others.size == 1
        end
        here.find { |other| other != edge && (faces[other] & faces[edge]).empty? } if here.size == 4
      end

      # Edges that bend, and borders.
      def self.sharp_edges(mesh)
        first, second = mesh.edges.paired_corners
        sharp = mesh.edges.uses.ne(2)
        return sharp if first.empty?

        normals = Geometry::Vectors.unit(mesh.face_area_vectors)
        bends =
          Geometry::Vectors.dot(normals[mesh.corner_faces[first], true], normals[mesh.corner_faces[second], true]) <
            SHARP_COS
        rows = mesh.edges.corner_edges[first[bends.where]]
        sharp[rows] = 1 unless rows.empty?
        sharp
      end

      def self.validate(index, count, what)
        return if index.is_a?(Integer) && index.between?(0, count - 1)

        raise InputError.new(
                "there is no #{what} #{index.inspect}; the model has #{count}, counted from 0",
                where: {
                  what.to_sym => index
                }
              )
      end
      private_class_method :walk, :onward, :sharp_edges, :validate
    end
  end
end
