# frozen_string_literal: true

module SheetTrace
  module Flatten
    # One island of a layout as a piece that can be worked on where it lies: in model units, at true scale, y up, as
    # seen from outside.
    # What is worked out goes back to the very same places.
    class OnSheet
      # @return [Cut::Piece]
      attr_reader :piece
      # @return [Numo::DFloat] n x 2, model units
      attr_reader :places
      # @return [Array<Integer>] n vertices of the mesh
      attr_reader :vertices

      # @param points_px [Numo::DFloat] P x 2 where the map's points lie on the sheet; px_to_uv [Geometry::Affine]
      # @param mirrored [Boolean]; px_per_unit [Float] the island's density on the sheet, px per model unit
      def initialize(uv_map, island, points_px, px_to_uv, mirrored:, px_per_unit:)
        unless px_per_unit.positive?
          raise UvError.new("the island has no area on the sheet; lay it flat first", where: { island: island })
        end

        @points = uv_map.island_points[island]
        @px_to_uv = px_to_uv
        own = points_px[@points, true]
        @middle = own.mean(axis: 0).reshape(1, 2)
        @scale = Numo::DFloat[[mirrored ? -px_per_unit : px_per_unit, -px_per_unit]]
        @places = (own - @middle) / @scale
        @vertices = uv_map.point_vertices[@points].to_a
        @piece = Cut::Piece.of_island(uv_map, island)
        freeze
      end

      # @param uv [Numo::DFloat] P x 2, changed at the island's points but for those that stay
      # @param places [Numo::DFloat] n x 2, model units; stay [Array<Integer>] of n
      def write(uv, places, stay: [])
        moving = Numo::Bit.ones(@points.size).tap { |bits| bits[stay] = 0 unless stay.empty? }.where
        uv[@points[moving], true] = @px_to_uv.apply((places * @scale) + @middle)[moving, true] unless moving.empty?
      end
    end
  end
end
