# frozen_string_literal: true

module SheetTrace
  module Solids
    # A ball, wrapped as a chart of the globe is: true along the equator and up and down, wider than true towards the
    # poles.
    module Ball
      extend Parameters

      number :diameter_mm, Solids::LENGTH_MM, default: 80.0
      whole :sides, Solids::SEGMENTS, default: 48

      # @return [Panels]
      def self.call(diameter_mm:, sides:)
        radius = diameter_mm / 2
        tiers = [(sides / 2.0).ceil, 2].max
        rows =
          (0..tiers).map do |tier|
            rise = (Math::PI * tier / tiers) - (Math::PI / 2)
            Round
              .angles(sides)
              .map do |angle|
                [
                  Round.at(radius * Math.cos(rise), angle, radius + (radius * Math.sin(rise))),
                  [radius * angle, radius * rise]
                ]
              end
          end
        panels = Panels.new
        panels.panel { panels.grid(rows) }
      end
    end
  end
end
