# frozen_string_literal: true

module SheetTrace
  module Fit
    # Places of islands along a gradient: as far along it as they lie in a direction of the model, and across it as
    # they lie on the sheet now.
    module AlongGradient
      # @param layout [Layout]; islands [Array<Integer>] that share one gradient from end to end
      # @param box [Array(Float, Float, Float, Float)] of the gradient, px of the sheet; px [Array(Float, Float)]
      #   that a px of the picture covers
      # @param direction [Array(Float, Float, Float)] of the model
      # @return [Numo::DFloat] P x 2 px for all points of the map
      def self.call(layout, islands, box, px, direction, way:, reverse:)
        map = layout.uv_map
        heights = Geometry::Vectors.dot(map.mesh.positions[map.point_vertices, true], Numo::DFloat[direction])
        low, high = heights[map.points_of(islands)].minmax
        along = way == "across" ? 0 : 1
        points = layout.points_px.copy
        islands
          .map { |island| map.island_points[island] }
          .each do |own|
            share = high > low ? (heights[own] - low) / (high - low) : (heights[own] * 0) + 0.5
            beside = across(layout.points_px[own, true], share)
            points[own, along] = inner(box, px, along, reverse ? 1 - share : share)
            points[own, 1 - along] = inner(box, px, 1 - along, beside)
          end
        points
      end

      # From the middle of the first px to that of the last.
      def self.inner(box, px, axis, share) =
        box[axis] + (px[axis] / 2) + (share * (box[axis + 2] - box[axis] - px[axis]))

      # How far places lie square to the direction in which the share grows on the sheet, 0 to 1.
      def self.across(places, share)
        p = places - places.mean(axis: 0).reshape(1, 2)
        slope = [0, 1].map { |axis| (p[true, axis] * (share - share.mean)).sum }
        slope = [0.0, 1.0] if slope.all? { |part| part.abs < 1e-12 }
        beside = (p[true, 0] * slope[1]) - (p[true, 1] * slope[0])
        least, most = beside.minmax
        most > least ? (beside - least) / (most - least) : (beside * 0) + 0.5
      end
      private_class_method :inner, :across
    end
  end
end
