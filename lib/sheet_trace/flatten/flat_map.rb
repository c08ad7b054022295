# frozen_string_literal: true

module SheetTrace
  module Flatten
    # One island developed flat in mm, as seen from outside and standing upright, whatever its place and
    # shape on the sheet. Its origin is the middle of its box; x points right, y up.
    # A flat island is seen square-on, which is exact; a bent one is laid flat as rigidly as it lets itself.
    class FlatMap
      # How far out of its plane, as a share of its size, a flat island's points may lie.
      FLATNESS = 1e-5
      # Length of the mean normal over which all faces look the same way: shorter on a bent island, 0 on a closed one.
      ONE_WAY = 0.99
      private_constant :FLATNESS, :ONE_WAY

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
        @points = uv_map.point_islands.eq(island).where
        @normal = uv_map.mean_normals[island, true].reshape(1, 3)
        positions = uv_map.mesh.positions[uv_map.point_vertices[@points], true] * unit_mm
        @coordinates_mm = centred(square_on(positions) || developed(island, positions)).freeze
        freeze
      end
      private_class_method :new

      # @return [Array(Float, Float)] width and height of the island lying flat, mm
      def size_mm = (coordinates_mm.max(axis: 0) - coordinates_mm.min(axis: 0)).to_a

      # @return [Array<Numo::DFloat>] x and y, mm: P values each, 0 for points of other islands
      def by_point
        Array.new(2) do |axis|
          Numo::DFloat.zeros(@uv_map.point_count).tap { |values| values[points] = coordinates_mm[true, axis] }
        end
      end

      private

      # @return [Numo::DFloat, nil] nil if the island is not flat
      def square_on(positions)
        return if Geometry::Vectors.lengths(@normal)[0] < ONE_WAY

        normal = Geometry::Vectors.unit(@normal)
        x_axis, y_axis = Axes.call(normal).map(&:flatten)
        out = positions.dot(normal.flatten)
        x = positions.dot(x_axis)
        y = positions.dot(y_axis)
        return if out.max - out.min > FLATNESS * [x.max - x.min, y.max - y.min].max

        Geometry::Vectors.columns([x, y])
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
