# frozen_string_literal: true

module SheetTrace
  module Solids
    # A ring with a bore: outer and inner side as strips with their seams at the back, and two flat rings.
    module Ring
      extend Parameters

      number :outer_mm, Solids::LENGTH_MM, label: "outer diameter", default: 60.0
      number :inner_mm, Solids::LENGTH_MM, label: "inner diameter", default: 44.0
      number :height_mm, Solids::LENGTH_MM, label: "height, y", default: 25.0
      whole :sides, Solids::SEGMENTS, default: 48

      # @return [Panels]
      # @raise [InputError] where: { solid:, measure: } if the bore is not smaller than the ring
      def self.call(outer_mm:, inner_mm:, height_mm:, sides:)
        unless inner_mm < outer_mm
          raise InputError.new(
                  "inner diameter is #{inner_mm} mm; give less than the outer one, #{outer_mm}",
                  where: {
                    solid: "ring",
                    measure: "inner_mm"
                  }
                )
        end

        panels = Panels.new
        Round.band(panels, outer_mm / 2, height_mm, sides)
        Round.band(panels, inner_mm / 2, height_mm, sides, inside: true)
        Round.annulus(panels, outer_mm / 2, inner_mm / 2, height_mm, sides, facing: :up)
        Round.annulus(panels, outer_mm / 2, inner_mm / 2, 0.0, sides, facing: :down)
      end
    end
  end
end
