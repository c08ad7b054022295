# frozen_string_literal: true

module SheetTrace
  module Geometry
    # The place of a triangle that is nearest to a point in space.
    # Source: Ericson, "Real-Time Collision Detection", 2005, section 5.1.5.
    module NearestOnTriangle
      # @param corners [Array<Array(Float, Float, Float)>] three
      # @param point [Array(Float, Float, Float)]
      # @return [Array(Float, Float, Float)] barycentric shares of the corners
      def self.call(corners, point)
        a, b, c = corners
        ab = Triple.minus(b, a)
        ac = Triple.minus(c, a)
        near =
          [a, b, c].map do |corner|
            Triple.minus(point, corner).then { |from| [Triple.dot(ab, from), Triple.dot(ac, from)] }
          end
        at_corner(near) || on_edge(near) || inside(near)
      end

      def self.at_corner(((d1, d2), (d3, d4), (d5, d6)))
        return 1.0, 0.0, 0.0 if d1 <= 0 && d2 <= 0
        return 0.0, 1.0, 0.0 if d3 >= 0 && d4 <= d3

        [0.0, 0.0, 1.0] if d6 >= 0 && d5 <= d6
      end

      # An area that is not positive lies beyond its edge.
      def self.on_edge(near)
        (d1, d2), (d3, d4), (d5, d6) = near
        area_a, area_b, area_c = areas(near)
        return between(d1, d3) { |share| [1 - share, share, 0.0] } if 0.between?(area_c, d1) && d3 <= 0
        return between(d2, d6) { |share| [1 - share, 0.0, share] } if 0.between?(area_b, d2) && d6 <= 0

        between(d4 - d3, d6 - d5) { |share| [0.0, 1 - share, share] } if area_a <= 0 && d4 >= d3 && d5 >= d6
      end

      def self.between(from, to) = yield(from / (from - to))

      def self.inside(near) = areas(near).then { |areas| areas.map { |area| area / areas.sum } }

      # Those opposite each corner, all in one unit.
      def self.areas(((d1, d2), (d3, d4), (d5, d6)))
        [(d3 * d6) - (d5 * d4), (d5 * d2) - (d1 * d6), (d1 * d4) - (d3 * d2)]
      end

      private_class_method :at_corner, :on_edge, :between, :inside, :areas
    end
  end
end
