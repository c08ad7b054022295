# frozen_string_literal: true

module SheetTrace
  module Raster
    # The plane through the values at the corners of each triangle.
    module Planes
      # By how much what is the same may differ from triangle to triangle.
      ROUNDING = 1e-11
      private_constant :ROUNDING

      # @param corners [Numo::DFloat] K x 3 x 2, px
      # @param values [Numo::DFloat] K x 3, any unit
      # @return [Array<Numo::DFloat>] K changes per px right, K per px down, and K values at (0, 0)
      def self.call(corners, values)
        x0, x1, x2, y0, y1, y2 = [0, 1].flat_map { |axis| Array.new(3) { |k| corners[true, k, axis] } }
        ax = x1 - x0
        ay = y1 - y0
        bx = x2 - x0
        by = y2 - y0
        av = values[true, 1] - values[true, 0]
        bv = values[true, 2] - values[true, 0]
        det = (ax * by) - (ay * bx)
        det[det.eq(0)] = Float::INFINITY
        across = ((av * by) - (bv * ay)) / det
        down = ((bv * ax) - (av * bx)) / det
        [across, down, values[true, 0] - (across * x0) - (down * y0)]
      end

      # @return [Array(Float, Float, Float), Array<Numo::DFloat>] the same; as one plane where it is the same for all
      def self.joined(corners, values)
        planes = call(corners, values)
        common = planes.map { |part| alike(part) }
        common.all? ? common : planes
      end

      # @return [Float, nil] what is the same for all triangles, but for rounding: on a flat panel
      def self.alike(part)
        least, most = part.minmax
        least if most - least <= ROUNDING * [least.abs, most.abs, 1].max
      end
      private_class_method :alike
    end
  end
end
