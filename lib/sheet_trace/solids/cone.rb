# frozen_string_literal: true

module SheetTrace
  module Solids
    # A cone, or a truncated one where the upper diameter is not 0: the side laid out as a sector of a ring, seam at the
    # back, and its discs.
    # Source: development of a cone frustum in sheet-metal handbooks: slant s = sqrt(h^2 + (R - r)^2), outer radius
    #   R s / (R - r).
    module Cone
      extend Parameters

      number :bottom_mm, Solids::LENGTH_MM, label: "lower diameter", default: 120.0
      number :top_mm, 0.0..100_000.0, label: "upper diameter", default: 70.0
      number :height_mm, Solids::LENGTH_MM, label: "height, y", default: 100.0
      whole :sides, Solids::SEGMENTS, default: 48

      # @return [Panels]
      def self.call(bottom_mm:, top_mm:, height_mm:, sides:)
        panels = Panels.new
        if (bottom_mm - top_mm).abs < 1e-6
          Round.band(panels, bottom_mm / 2, height_mm, sides)
        else
          side(panels, bottom_mm / 2, top_mm / 2, height_mm, sides)
        end
        Round.disc(panels, top_mm / 2, height_mm, sides, facing: :up) if top_mm.positive?
        Round.disc(panels, bottom_mm / 2, 0.0, sides, facing: :down)
      end

      # Chords instead of arcs, so that the flat facets are true to the last digit.
      def self.side(panels, lower, upper, height, sides)
        edges = [lower, upper].map { |radius| 2 * radius * Math.sin(Math::PI / sides) }
        slant = Math.sqrt((height**2) + ((lower - upper)**2)) # of the corner lines
        reach = [lower, upper].map { |radius| radius * slant / (lower - upper).abs }
        turn = 2 * Math.asin(edges.max / 2 / reach.max)
        rows =
          [[lower, reach[0], 0.0], [upper, reach[1], height]].map do |radius, far, y|
            Round
              .angles(sides)
              .each_with_index
              .map do |angle, i|
                around = (i - (sides / 2.0)) * turn
                [
                  Round.at(radius, angle, y),
                  [far * Math.sin(around), far * Math.cos(around) * (lower > upper ? -1 : 1)]
                ]
              end
          end
        panels.panel { panels.grid(rows) }
      end
      private_class_method :side
    end
  end
end
