# frozen_string_literal: true

module SheetTrace
  module Flatten
    # One island developed flat in mm, as seen from outside and standing upright, whatever its place and
    # shape on the sheet. Its origin is the middle of its box; x points right, y up.
    # A flat island is seen square-on, which is exact; a bent one is laid flat as rigidly as it lets itself.
    class FlatMap
      # @return [Numo::Int64] n point indices of the sheet map
      attr_reader :points
      # @return [Numo::DFloat] n x 2, mm
      attr_reader :coordinates_mm

      # @param uv_map [UvMap]
      # @param island [Integer]
      # @param unit_mm [Float] length of a model unit
      # @return [FlatMap]
      # @raise [UvError] if a bent island has no area on the sheet to start from; where: { island: }
      def self.call(uv_map, island, unit_mm:) = new(uv_map, island, unit_mm)

      def initialize(uv_map, island, unit_mm)
        @uv_map = uv_map
        @island = island
        @unit_mm = unit_mm
        @memo = {}
        @points = uv_map.point_islands.eq(island).where
        @normal = uv_map.mean_normals[island, true].reshape(1, 3)
        positions = uv_map.mesh.positions[uv_map.point_vertices[@points], true] * unit_mm
        @coordinates_mm = centred(PlaneOf.call(uv_map, island, unit_mm: unit_mm) || developed(island, positions)).freeze
        freeze
      end
      private_class_method :new

      # @return [Array(Float, Float)] width and height of the island lying flat, mm
      def size_mm = (coordinates_mm.max(axis: 0) - coordinates_mm.min(axis: 0)).to_a

      # @return [Rims]
      # @raise [MeshError] if the island is no band of a cylinder or cone
      def rims = @memo[:rims] ||= Rims.call(self, Cut::Piece.of_island(@uv_map, @island), @unit_mm)

      # @return [GuideLines]
      def guide_lines = @memo[:guide_lines] ||= GuideLines.call(@uv_map, @island, self)

      # @return [Array<Numo::DFloat>] x and y, mm: P values each, 0 for points of other islands
      def by_point
        Array.new(2) do |axis|
          Numo::DFloat.zeros(@uv_map.point_count).tap { |values| values[points] = coordinates_mm[true, axis] }
        end
      end

      # @return [Integer] of UvMap#island_triangles, the one that a place lies on, or else lies nearest to
      def row_at(x_mm, y_mm)
        rows = @uv_map.triangles.points[@uv_map.island_triangles[@uv_map.point_islands[points[0]]], true]
        x, y = by_point.map { |values| values[rows] }
        least_shares(x - x_mm, y - y_mm).max_index
      end

      private

      # The least barycentric share that the origin has of triangles: 0 and more where it lies inside.
      #
      # @param x [Numo::DFloat] t x 3; y [Numo::DFloat] t x 3
      # @return [Numo::DFloat] t
      def least_shares(x, y)
        opposite = [[1, 2], [2, 0], [0, 1]].map { |a, b| (x[true, a] * y[true, b]) - (x[true, b] * y[true, a]) }
        total = opposite.sum
        total[total.eq(0)] = Float::NAN
        least = opposite.map { |area| area / total }.reduce { |a, b| Numo::DFloat.minimum(a, b) }
        least[least.isnan] = -Float::INFINITY
        least
      end

      def developed(island, positions)
        rows = @uv_map.island_triangles[island]
        local = Numo::Int32.zeros(@uv_map.point_count)
        local[points] = Numo::Int32.new(points.size).seq
        triangles = local[@uv_map.triangles.points[rows, true]]
        start = TrueAffine.call(positions, triangles, @uv_map.points[points, true])
        unless start
          raise UvError.new("the island has no area on the sheet, so it can't be laid flat", where: { island: island })
        end

        Upright.call(positions, triangles, AsRigidAsPossible.call(positions, triangles, start), @normal)
      end

      def centred(places) = places - ((places.max(axis: 0) + places.min(axis: 0)) / 2)
    end
  end
end
