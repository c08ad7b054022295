# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Straight lines cut to what lies within triangles.
      module Inside
        NEAR = 1e-6
        private_constant :NEAR

        # @param triangles [Array<Array<Array(Float, Float)>>] three corners each
        # @param from [Array(Float, Float)] a place on the line; direction [Array(Float, Float)] unit
        # @param reach [Float] how far it goes either way
        # @return [Array<Array(Float, Float, Float, Float)>]
        def self.line(triangles, from, direction, reach)
          spans = triangles.filter_map { |corners| span(corners, from, direction) }.sort
          merged =
            spans.each_with_object([]) do |(start, stop), found|
              if found.any? && start <= found.last[1] + (NEAR * reach)
                found.last[1] = [found.last[1], stop].max
              else
                found << [start, stop]
              end
            end
          merged.map { |ends| ends.flat_map { |far| from.zip(direction).map { |at, along| at + (far * along) } } }
        end

        # Where a line is within a triangle (Cyrus, Beck).
        def self.span(corners, from, direction)
          low = -Float::INFINITY
          high = Float::INFINITY
          sides(corners).each do |(x, y), (nx, ny)|
            off = ((from[0] - x) * nx) + ((from[1] - y) * ny)
            step = (direction[0] * nx) + (direction[1] * ny)
            if step.abs < 1e-12
              high = low if off.negative?
            else
              step.positive? ? low = [low, -off / step].max : high = [high, -off / step].min
            end
          end
          [low, high] if high > low
        end

        # @return [Array<Array(Array(Float, Float), Array(Float, Float))>] a place on each side, and the way inwards
        def self.sides(corners)
          turn = area(corners).negative? ? -1 : 1
          corners.zip(corners.rotate).map { |(x, y), (tx, ty)| [[x, y], [-(ty - y) * turn, (tx - x) * turn]] }
        end

        def self.area(((ax, ay), (bx, by), (cx, cy))) = ((bx - ax) * (cy - ay)) - ((cx - ax) * (by - ay))
        private_class_method :span, :sides, :area
      end
    end
  end
end
