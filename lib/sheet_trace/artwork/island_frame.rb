# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Where the frame of what is set on an island lies on the sheet, by the affine map that fits the island's flat map
    # best: exact
    # where the island is an affine image of it, a guide for the hand where it is bent.
    #
    # middle_px [Array(Float, Float)] where the place says that it lies
    # corners_px [Array<Array(Float, Float)>] top left, top right, bottom right, bottom left of the label
    # outline_px [Array<Array(Float, Float)>] round its border
    # mm_per_px [Array<Float>] change of x_mm per px right and down, then of y_mm
    IslandFrame =
      Struct.new(:middle_px, :corners_px, :outline_px, :mm_per_px, keyword_init: true) do
        # @param middle_mm [Array(Float, Float)] of the label, on the flat map
        # @param corners_mm [Numo::DFloat] 4 x 2; outline_mm [Numo::DFloat] n x 2
        # @param flat_map [Flatten::FlatMap] of its island
        # @param layout [Layout]
        # @return [IslandFrame]
        # @raise [InputError] if the island is as thin as a line
        def self.call(middle_mm, corners_mm, outline_mm, flat_map:, layout:)
          to_px = Geometry::Affine.fit(flat_map.coordinates_mm, layout.points_px[flat_map.points, true])
          inverse = to_px.inverse
          corners, outline = [corners_mm, outline_mm].map { |places| to_px.apply(places).to_a }
          new(
            middle_px: to_px.at(*middle_mm),
            corners_px: corners,
            outline_px: outline,
            mm_per_px: [inverse.a, inverse.b, inverse.d, inverse.e]
          )
        end
      end
  end
end
