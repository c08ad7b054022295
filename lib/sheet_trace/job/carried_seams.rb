# frozen_string_literal: true

module SheetTrace
  class Job
    # Edges of a surface as edges of the same surface in other faces: by their vertices, or where these were numbered
    # anew by what each has become, or by where they lie. Of an edge that was parted both halves are meant.
    class CarriedSeams
      # @param before [Mesh]; after [Mesh]
      # @param vertices [Hash{Integer => Integer}, nil] former vertex => the one that it is now, where they were
      #   numbered anew
      # @param edge_middles [Hash{Integer => Integer}] former edge => the new vertex in its middle
      def initialize(before, after, vertices: nil, edge_middles: {})
        @before = before
        @after = after
        @vertices = vertices
        @edge_middles = edge_middles
      end

      # @param bits [Numo::Bit] E of the former mesh
      # @return [Array(Numo::Bit, Integer)] E of the new one, and how many were found nowhere
      def call(bits)
        return bits, 0 if @vertices.nil? && @before.corner_vertices == @after.corner_vertices

        edges = bits.where.to_a.flat_map { |edge| halves(edge, @before.edges.vertices[edge, true].to_a) }
        wanted = edges.filter_map { |ends| former_key(ends)&.then { |key| [key, true] } }.to_h
        found = @after.edges.vertices.to_a.map { |ends| wanted[key(ends)] ? 1 : 0 }
        [Numo::Bit.cast(found), edges.uniq.size - found.sum]
      end

      private

      def halves(edge, (from, to))
        middle = @edge_middles[edge]
        middle ? [[from, middle], [to, middle]] : [[from, to]]
      end

      # Vertices are only added to, or stay.
      def added_to? = @after.vertex_count >= @before.vertex_count

      # @return [Array, nil] nil where one of the ends is no more
      def former_key(ends)
        return @vertices.values_at(*ends).then { |now| now.include?(nil) ? nil : now.sort } if @vertices
        return ends.sort if added_to?

        # Middles of edges are vertices of the new mesh.
        ends.map { |vertex| place(vertex < @before.vertex_count ? @before : @after, vertex) }.sort
      end

      def key(ends)
        @vertices || added_to? ? ends.sort : ends.map { |vertex| place(@after, vertex) }.sort
      end

      def place(mesh, vertex) = mesh.positions[vertex, true].to_a
    end
  end
end
