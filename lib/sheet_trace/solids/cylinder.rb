# frozen_string_literal: true

module SheetTrace
  module Solids
    # A tin: the side as a strip with its seam at the back, and two discs.
    module Cylinder
      extend Parameters

      number :diameter_mm, Solids::LENGTH_MM, default: 70.0
      number :height_mm, Solids::LENGTH_MM, label: "height, y", default: 110.0
      whole :sides, Solids::SEGMENTS, default: 48

      # @return [Panels]
      def self.call(diameter_mm:, height_mm:, sides:)
        panels = Panels.new
        Round.band(panels, diameter_mm / 2, height_mm, sides)
        Round.disc(panels, diameter_mm / 2, height_mm, sides, facing: :up)
        Round.disc(panels, diameter_mm / 2, 0.0, sides, facing: :down)
      end
    end
  end
end
