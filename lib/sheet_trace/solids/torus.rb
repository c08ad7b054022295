# frozen_string_literal: true

module SheetTrace
  module Solids
    # A ring of round section, such as a swimming ring or a quoit, lying flat: cut open at the back and along its
    # inner side, true along the middle of the outer side and round the section.
    module Torus
      extend Parameters

      number :outer_mm, Solids::LENGTH_MM, label: "outer diameter", default: 100.0
      number :section_mm, Solids::LENGTH_MM, label: "diameter of the section", default: 24.0
      whole :sides, Solids::SEGMENTS, "round the ring", default: 48
      whole :section_sides, Solids::SEGMENTS, "round the section", default: 24

      # @return [Panels]
      # @raise [InputError] where: { solid:, measure: } if the section is too thick for the ring
      def self.call(outer_mm:, section_mm:, sides:, section_sides:)
        unless section_mm * 2 < outer_mm
          raise InputError.new(
                  "diameter of the section is #{section_mm} mm; give less than half of the outer one, #{outer_mm}",
                  where: {
                    solid: "torus",
                    measure: "section_mm"
                  }
                )
        end

        outer = outer_mm / 2
        section = section_mm / 2
        panels = Panels.new
        panels.panel { panels.grid(rows(outer, section, sides, section_sides)) }
      end

      # From the inner side under the ring and over it back to the inner side.
      def self.rows(outer, section, sides, section_sides)
        (0..section_sides).map do |tier|
          rise = (2 * Math::PI * tier / section_sides) - Math::PI
          reach = outer - section + (section * Math.cos(rise))
          Round
            .angles(sides)
            .map do |angle|
              [Round.at(reach, angle, section + (section * Math.sin(rise))), [outer * angle, section * rise]]
            end
        end
      end
      private_class_method :rows
    end
  end
end
