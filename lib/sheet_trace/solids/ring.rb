# frozen_string_literal: true

module SheetTrace
  module Solids
    # A ring with a bore: outer and inner side as strips with their seams at the back, and two flat rings.
    module Ring
      MEASURES = [Solids.length("outer", "Outer diameter", 60.0), Solids.length("inner", "Inner diameter", 44.0),
                  Solids.length("height", "Height, y", 25.0), Solids.count("sides", "Sides", 48)].freeze

      # @return [Panels]
      # @raise [InputError] where: { solid:, measure: } if the bore is not smaller than the ring
      def self.call(outer_mm:, inner_mm:, height_mm:, sides:)
        unless inner_mm < outer_mm
          raise InputError.new("inner diameter is #{inner_mm} mm; give less than the outer one, #{outer_mm}", where: { solid: "ring", measure: "inner_mm" })
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
