# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Straight sides made of several edges.
      module Sides
        STRAIGHT_RAD = 0.02
        private_constant :STRAIGHT_RAD

        # @param edges [Array<Array(Array(Float, Float), Array(Float, Float))>] both ends of each, px
        # @return [Array(Array(Float, Float), Array(Float, Float))] the ends of the longest straight run of them
        def self.longest(edges)
          runs = edges.group_by { |from, to| key(from, to) }.values
          runs
            .map { |own| own.flatten(1).minmax_by { |x, y| along(own.first, x, y) } }
            .max_by { |(ax, ay), (bx, by)| Math.hypot(bx - ax, by - ay) }
        end

        # Lines of one direction at one distance from the origin.
        def self.key((ax, ay), (bx, by))
          angle = Math.atan2(by - ay, bx - ax) % Math::PI
          angle = 0.0 if Math::PI - angle < STRAIGHT_RAD / 2
          [(angle / STRAIGHT_RAD).round, ((ax * Math.sin(angle)) - (ay * Math.cos(angle))).round]
        end

        def self.along(((ax, ay), (bx, by)), x, y) = ((x - ax) * (bx - ax)) + ((y - ay) * (by - ay))
        private_class_method :key, :along
      end
    end
  end
end
