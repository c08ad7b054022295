# frozen_string_literal: true

module SheetTrace
  module Flatten
    # A flat island in its plane, seen square-on: exact, whatever its place and shape on the sheet.
    module PlaneOf
      # How far out of its plane, as a share of its size, a flat island's points may lie.
      FLATNESS = 1e-5
      # Length of the mean normal over which all faces look the same way: shorter on a bent island, 0 on a closed one.
      ONE_WAY = 0.99
      private_constant :FLATNESS, :ONE_WAY

      # @param uv_map [UvMap]
      # @param island [Integer]
      # @param unit_mm [Float] length of a model unit
      # @return [Numo::DFloat, nil] n x 2, mm: the island's points in the order of the map, x right, y as far up as the
      #   plane allows; nil if the island is not flat
      def self.call(uv_map, island, unit_mm:)
        normal = uv_map.mean_normals[island, true].reshape(1, 3)
        return if Geometry::Vectors.lengths(normal)[0] < ONE_WAY

        normal = Geometry::Vectors.unit(normal)
        positions = uv_map.mesh.positions[uv_map.point_vertices[uv_map.island_points[island]], true] * unit_mm
        x_axis, y_axis = Axes.call(normal).map(&:flatten)
        out = positions.dot(normal.flatten)
        x = positions.dot(x_axis)
        y = positions.dot(y_axis)
        return if out.max - out.min > FLATNESS * [x.max - x.min, y.max - y.min].max

        Geometry::Vectors.columns([x, y])
      end
    end
  end
end
