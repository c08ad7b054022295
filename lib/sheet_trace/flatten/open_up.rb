# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Suggests the seams that make every piece a disc: cheap ones, as CutCosts has it. The faces are held together
    # along a tree of the edges that are dearest
    # to cut; of what is left, ends that lead nowhere are closed again. A closed piece is cut from its top to its
    # bottom.
    # Source: tree-cotree decomposition, Erickson, Har-Peled, "Optimally cutting a surface into a disk", SoCG 2002.
    class OpenUp
      # @param mesh [Mesh]
      # @param seams [Numo::Bit] E
      # @param faces [Array<Integer>, nil] that shall be discs; all if nil
      # @param costs [Numo::DFloat] E
      # @return [Numo::Bit] E: seams and those added
      def self.call(mesh, seams, faces: nil, costs: CutCosts.call(mesh)) = new(mesh, seams, faces, costs).send(:opened)

      def initialize(mesh, seams, faces, costs)
        @mesh = mesh
        @seams = seams
        @faces = faces
        @costs = costs
        first, second = mesh.edges.paired_corners
        kept = first.empty? ? first : seams[mesh.edges.corner_edges[first]].eq(0).where
        @first = first.empty? ? first : first[kept]
        @second = first.empty? ? first : second[kept]
      end
      private_class_method :new

      private

      def opened
        return @seams if @first.empty?

        cut = @seams.copy
        left = spared(tree_edges)
        left.each { |edge| cut[edge] = 1 }
        cut
      end

      # Edges that hold the faces together: the dearest first, as long as they join what was apart.
      def tree_edges
        rows = @costs[@mesh.edges.corner_edges[@first]].sort_index.to_a.reverse
        a = @mesh.corner_faces[@first].to_a
        b = @mesh.corner_faces[@second].to_a
        roots = (0...@mesh.face_count).to_a
        rows.each_with_object({}) do |row, tree|
          x = a[row]
          y = b[row]
          x = roots[x] = roots[roots[x]] until roots[x] == x
          y = roots[y] = roots[roots[y]] until roots[y] == y
          next if x == y

          roots[x] = y
          tree[row] = true
        end
      end

      # Takes away what leads nowhere: edges with an end at which nothing else is cut.
      def spared(tree)
        edges = (0...@first.size).reject { |row| tree[row] }.map { |row| @mesh.edges.corner_edges[@first[row]] }
        ends = edges.to_h { |edge| [edge, @mesh.edges.vertices[edge, true].to_a] }
        at =
          ends.each_with_object(Hash.new { |all, vertex| all[vertex] = [] }) do |(edge, pair), all|
            pair.each { |vertex| all[vertex] << edge }
          end
        held = held_vertices
        waiting = at.keys
        until waiting.empty?
          vertex = waiting.pop
          next if held[vertex] || at[vertex].size != 1

          edge = at[vertex].first
          ends
            .delete(edge)
            .each do |other|
              at[other].delete(edge)
              waiting << other
            end
        end
        wanted(ends.keys)
      end

      def wanted(edges)
        return edges unless @faces

        chosen = @faces.to_h { |face| [face, true] }
        face_of = @mesh.edges.corner_edges[@first].to_a.zip(@mesh.corner_faces[@first].to_a).to_h
        edges.select { |edge| chosen[face_of[edge]] }
      end

      # Vertices at which a cut may end: on borders and seams; of a closed piece, its top and its bottom.
      def held_vertices
        open = (@mesh.edges.uses.ne(2) | @seams).where
        held = open.empty? ? {} : @mesh.edges.vertices[open, true].flatten.to_a.to_h { |vertex| [vertex, true] }
        cut = Cut.call(@mesh, @seams)
        bordered = border_pieces(cut, open)
        (0...cut.piece_count)
          .reject { |piece| bordered[piece] }
          .each { |piece| poles(cut, piece).each { |vertex| held[vertex] = true } }
        held
      end

      def border_pieces(cut, open)
        bits = Numo::Bit.zeros(@mesh.edges.uses.size).tap { |all| all[open] = 1 unless open.empty? }
        corners = bits[@mesh.edges.corner_edges].where
        corners.empty? ? {} : cut.face_pieces[@mesh.corner_faces[corners]].to_a.to_h { |piece| [piece, true] }
      end

      def poles(cut, piece)
        vertices = cut.point_vertices[cut.point_pieces.eq(piece).where]
        heights = @mesh.positions[vertices, 1]
        [vertices[heights.max_index], vertices[heights.min_index]]
      end
    end
  end
end
