# frozen_string_literal: true

module SheetTrace
  class UvMap
    # Edges that the map is cut at, each with its two sides. They are found by where they lie, as vertices are often
    # parted where the map is cut.
    module CutEdges
      # Corners of triangles on one side of edges: n each, starts and stops [Numo::Int32] the edges' ends, the two sides
      # running against each other; thirds [Numo::Int32] the corners across from them
      Side =
        Struct.new(:starts, :stops, :thirds) do
          # @param rows [Numo::Int64, Array<Integer>] of the edges
          # @return [Side] of these
          def at(rows) = Side.new(*to_a.map { |corners| rows.to_a.empty? ? Numo::Int32.zeros(0) : corners[rows] })

          # @return [Integer]
          def size = starts.size
        end

      # @param uv_map [UvMap]
      # @return [Array(Side, Side)]
      def self.call(uv_map)
        mesh = uv_map.mesh
        across = mesh.welded.across.each_with_index.filter_map { |other, half| [half, other] if other && half < other }
        return Array.new(2) { Side.new(*Array.new(3) { Numo::Int32.zeros(0) }) } if across.empty?

        halves = Numo::Int64.cast(across)
        sides = [0, 1].map { |k| side(mesh, halves[true, k].copy) }
        (from, to), (back_from, back_to) =
          sides.map { |own| own.to_a.first(2).map { |ends| uv_map.corner_points[ends] } }
        on = sides.map { |own| uv_map.face_mapped[mesh.corner_faces[own.starts]] }.reduce(:&)
        rows = (on & (from.ne(back_to) | to.ne(back_from))).where
        sides.map { |own| own.at(rows) }
      end

      # Of half-edges.
      def self.side(mesh, halves)
        corners = mesh.triangulation.corners.flatten
        round = halves % 3
        Side.new(*[0, 1, 2].map { |step| corners[halves - round + ((round + step) % 3)] })
      end
      private_class_method :side
    end
  end
end
