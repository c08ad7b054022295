# frozen_string_literal: true

module SheetTrace
  module Solids
    # Points round the y axis, seam at the back, and the panels that round solids share.
    module Round
      module_function

      # Angles from the back, leftwards round as seen from above, so that a band reads from left to right outside.
      #
      # @return [Array<Float>] sides + 1 angles from the front, -pi to pi
      def angles(sides) = (0..sides).map { |i| (2 * Math::PI * i / sides) - Math::PI }

      def at(radius, angle, y) = [radius * Math.sin(angle), y, radius * Math.cos(angle)]

      # A disc as one polygon; up on the sheet is the back on top, the front beneath, as on a carton.
      def disc(panels, radius, y, sides, facing:)
        ring = angles(sides).first(sides)
        ring = ring.reverse if facing == :down
        corners = ring.map { |angle| at(radius, angle, y) }
        panels.panel { panels.face(corners, corners.map { |x, _y, z| [x, facing == :down ? z : -z] }) }
      end

      # A flat ring in quadrilaterals.
      def annulus(panels, outer, inner, y, sides, facing:)
        panels.panel do
          angles(sides).each_cons(2) do |a, b|
            corners = [at(outer, a, y), at(outer, b, y), at(inner, b, y), at(inner, a, y)]
            corners = corners.reverse if facing == :down
            panels.face(corners, corners.map { |x, _y, z| [x, facing == :down ? z : -z] })
          end
        end
      end

      # The side of a cylinder, a rectangle as long as its chords; inside out for a bore.
      def band(panels, radius, height, sides, inside: false)
        step = 2 * radius * Math.sin(Math::PI / sides)
        ring = angles(sides)
        ring = ring.reverse if inside
        rows = [0.0, height].map { |y| ring.each_with_index.map { |angle, i| [at(radius, angle, y), [i * step, y]] } }
        panels.panel { panels.grid(rows) }
      end
    end
  end
end
