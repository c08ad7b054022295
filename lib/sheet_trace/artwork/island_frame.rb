# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Where the frame of what is set on an island lies on the sheet, by the affine map that fits the island's flat map
    # best: exact
    # where the island is an affine image of it, a guide for the hand where it is bent.
    #
    # corners_px [Array<Array(Float, Float)>] top left, top right, bottom right, bottom left of the label
    # mm_per_px [Array<Float>] change of x_mm per px right and down, then of y_mm
    IslandFrame =
      Struct.new(:corners_px, :mm_per_px, keyword_init: true) do
        # @param place [Places::OnIsland]
        # @param height_mm [Float] of the label
        # @param flat_map [Flatten::FlatMap] of its island
        # @param layout [Layout]
        # @return [IslandFrame]
        # @raise [InputError] if the island is as thin as a line
        def self.call(place, height_mm:, flat_map:, layout:)
          to_px = Geometry::Affine.fit(flat_map.coordinates_mm, layout.points_px[flat_map.points, true])
          inverse = to_px.inverse
          # A clockwise turn to the eye is a negative one where y points up.
          on_island = Geometry::Affine.move(place.x_mm, place.y_mm) * Geometry::Affine.turn(-place.turn_rad)
          half = [place.width_mm / 2, height_mm / 2]
          corners = [[-1, 1], [1, 1], [1, -1], [-1, -1]].map { |x, y| (to_px * on_island).at(x * half[0], y * half[1]) }
          new(corners_px: corners, mm_per_px: [inverse.a, inverse.b, inverse.d, inverse.e])
        end
      end
  end
end
