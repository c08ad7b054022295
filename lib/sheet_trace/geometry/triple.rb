# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Single vectors in space, as three numbers; for many at once there is Vectors.
    module Triple
      def self.minus(a, b) = [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
      def self.dot(a, b) = (a[0] * b[0]) + (a[1] * b[1]) + (a[2] * b[2])
      def self.length(a) = Math.sqrt(dot(a, a))
      def self.distance(a, b) = Math.sqrt(squared_distance(a, b))

      def self.squared_distance(a, b)
        x = a[0] - b[0]
        y = a[1] - b[1]
        z = a[2] - b[2]
        (x * x) + (y * y) + (z * z)
      end

      def self.middle(a, b) = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]

      def self.cross(a, b)
        [(a[1] * b[2]) - (a[2] * b[1]), (a[2] * b[0]) - (a[0] * b[2]), (a[0] * b[1]) - (a[1] * b[0])]
      end

      # @return [Array(Float, Float, Float)] of length 1; a itself where it has no length
      def self.unit(a)
        length = length(a)
        length.zero? ? a : a.map { |value| value / length }
      end

      # @param shares [Array<Float>] of the points, 1 together
      # @return [Array(Float, Float, Float)]
      def self.blend(points, shares)
        Array.new(3) { |axis| points.each_index.sum { |i| points[i][axis] * shares[i] } }
      end

      # @return [Float] from a point to the line between a and b
      def self.distance_to_line(point, a, b)
        x = b[0] - a[0]
        y = b[1] - a[1]
        z = b[2] - a[2]
        share =
          ((x * (point[0] - a[0])) + (y * (point[1] - a[1])) + (z * (point[2] - a[2]))) /
            [(x * x) + (y * y) + (z * z), Float::MIN].max
        share = share.clamp(0.0, 1.0)
        distance(point, [a[0] + (share * x), a[1] + (share * y), a[2] + (share * z)])
      end
    end
  end
end
