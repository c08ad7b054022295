# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Cuts from the border of a disc to where it is stretched most, as long as they are short: for pieces that are true
    # but for a few places, as the corners of a rounded box are.
    class ShortCuts
      ROUNDS = 12
      # The longest cut, as a share of the piece's size.
      SHORT = 0.15
      # A cut relieves the triangles this many edges about its end.
      ABOUT = 2
      private_constant :ROUNDS, :SHORT, :ABOUT

      # @param mesh [Mesh]
      # @param seams [Numo::Bit] E
      # @param faces [Array<Integer>] of the disc
      # @param worst [Float] stretch of a triangle that is good enough
      # @return [Array<Integer>] edges to cut; none where short cuts don't bring it down
      def self.call(mesh, seams, faces, worst:) = new(mesh, seams, faces).send(:edges, worst)

      def initialize(mesh, seams, faces)
        @mesh = mesh
        @seams = seams
        @faces = faces
        @costs = mesh.edge_lengths.to_a
      end
      private_class_method :new

      private

      def edges(worst)
        found = []
        ROUNDS.times do
          cut = Cut.call(@mesh, @seams.copy.tap { |bits| bits[found] = 1 if found.any? })
          stretch, targets = look(cut, worst)
          break if stretch <= worst

          fresh = runs(targets) - found
          break if fresh.empty?

          found.concat(fresh)
        end
        found
      end

      # @return [Array(Float, Array)] the worst stretch, and inner vertices by it with the border of their piece
      def look(cut, worst)
        @faces
          .map { |face| cut.face_pieces[face] }
          .uniq
          .map { |index| stretched(cut, cut.piece(index), worst) }
          .then { |all| [all.map(&:first).max, all.flat_map(&:last)] }
      end

      def stretched(cut, piece, worst)
        large, small = UvMap::Jacobians.of(piece.positions, Unfold.call(piece), piece.triangles).singular_values
        ratios = (large / Numo::DFloat.maximum(small, Float::MIN)).to_a
        vertices = cut.point_vertices[piece.points].to_a
        border = piece.border.flatten.uniq
        targets = spread(piece.triangles.to_a, ratios, border, worst)
        [ratios.max, targets.map { |i| [vertices[i], vertices.values_at(*border)] }]
      end

      # Inner vertices of the triangles that are stretched most, not too near to each other.
      def spread(triangles, ratios, border, worst)
        near = beside(triangles)
        outer = border.to_h { |i| [i, true] }
        taken = {}
        triangles
          .each_index
          .select { |t| ratios[t] > worst }
          .sort_by { |t| -ratios[t] }
          .filter_map do |t|
            inner = (triangles[t] + near.values_at(*triangles[t]).flatten).find { |i| !outer[i] }
            next if inner.nil? || taken[inner]

            about(inner, near).each { |i| taken[i] = true }
            inner
          end
      end

      def beside(triangles)
        triangles.each_with_object(Hash.new { |all, i| all[i] = [] }) do |corners, near|
          corners.each { |i| near[i].concat(corners - [i]) }
        end
      end

      def about(vertex, near) = ABOUT.times.reduce([vertex]) { |reached, _| reached | near.values_at(*reached).flatten }

      # A run ends where it meets one before it: two of them between the same borders would cut a crumb off.
      def runs(targets)
        met = []
        targets.each_with_object([]) do |(vertex, border), edges|
          next if met.include?(vertex)

          run = Mesh::PickEdges.cheapest_run(@mesh, [vertex], border | met, @costs) || []
          next if run.sum { |edge| @costs[edge] } > SHORT * size

          edges.concat(run)
          met |= @mesh.edges.vertices[run, true].to_a.flatten if run.any?
        end
      end

      def size
        @size ||=
          @mesh.positions[
            @mesh.corner_vertices[@mesh.corner_faces.then { |all| chosen[all].where }],
            true
          ].then { |own| (own.max(axis: 0) - own.min(axis: 0)).max }
      end

      def chosen = Numo::Bit.zeros(@mesh.face_count).tap { |bits| bits[@faces] = 1 }
    end
  end
end
