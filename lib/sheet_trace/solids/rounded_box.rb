# frozen_string_literal: true

module SheetTrace
  module Solids
    # A box whose edges and corners are rounded. Each side takes half of the rounding round it; the flat and the edges
    # are
    # true in size, the corners as a ball is.
    module RoundedBox
      extend Parameters

      number :width_mm, Solids::LENGTH_MM, label: "width, x", default: 80.0
      number :height_mm, Solids::LENGTH_MM, label: "height, y", default: 120.0
      number :depth_mm, Solids::LENGTH_MM, label: "depth, z", default: 50.0
      number :radius_mm, Solids::LENGTH_MM, label: "radius of edges", default: 8.0
      whole :steps, 1..32, label: "steps of an edge", default: 4

      # @return [Panels]
      # @raise [InputError] where: { solid:, measure: } if the radius does not fit
      def self.call(width_mm:, height_mm:, depth_mm:, radius_mm:, steps:)
        half = [width_mm / 2, height_mm / 2, depth_mm / 2]
        unless radius_mm < half.min
          raise InputError.new(
                  "radius of edges is #{radius_mm} mm; give less than #{half.min}, half the shortest side",
                  where: {
                    solid: "rounded_box",
                    measure: "radius_mm"
                  }
                )
        end

        Box::SIDES
          .each_value
          .with_object(Panels.new) do |(right, up), panels|
            rows =
              stations(span(half, up) - radius_mm, radius_mm, steps).map do |v, along, tilt_v|
                stations(span(half, right) - radius_mm, radius_mm, steps).map do |u, across, tilt_u|
                  [point(half, radius_mm, right, up, [u, tilt_u], [v, tilt_v]), [across, along]]
                end
              end
            panels.panel { panels.grid(rows) }
          end
      end

      def self.span(half, axis) = half.zip(axis).sum { |size, share| size * share.abs }

      # Along one direction: where the inner box ends, the way along the surface, and the tilt of the normal.
      def self.stations(flat, radius, steps)
        tilts = (0..steps).map { |i| Math::PI / 4 * i / steps }
        tilts.reverse.map { |tilt| [-flat, -flat - (radius * tilt), -tilt] } +
          tilts.map { |tilt| [flat, flat + (radius * tilt), tilt] }
      end

      def self.point(half, radius, right, up, (u, tilt_u), (v, tilt_v))
        out = Box.cross(right, up)
        normal = [Math.tan(tilt_u), Math.tan(tilt_v), 1.0]
        length = Math.sqrt(normal.sum { |part| part * part })
        (0..2).map do |i|
          inner = (right[i] * u) + (up[i] * v) + (out[i] * (half[i] - radius))
          inner + (radius * ((right[i] * normal[0]) + (up[i] * normal[1]) + (out[i] * normal[2])) / length) +
            (i == 1 ? half[1] : 0)
        end
      end
      private_class_method :span, :stations, :point
    end
  end
end
