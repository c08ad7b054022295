# frozen_string_literal: true

module SheetTrace
  module Fit
    class Match
      # The flat panels of a net, and whether the cells of a printed one are where they are. Nets of one solid can have
      # nearly the same outline, and yet a panel hangs elsewhere.
      class Panels
        # Share that a panel and its cell must have in common for them to be the same.
        SAME = 0.6
        private_constant :SAME

        # @param map [UvMap]; island [Integer]
        # @param flat_map [Flatten::FlatMap] of it
        # @return [Panels]
        def self.of_island(map, island, flat_map)
          x, y = flat_map.by_point
          boxes =
            Flatten::FlatPatches
              .call(map.mesh, map.island_faces[island].to_a)
              .map do |patch|
                points = map.corner_points[patch.corners]
                [x[points].min, -y[points].max, x[points].max, -y[points].min]
              end
          new(boxes)
        end

        # @param boxes [Array<Array(Float, Float, Float, Float)>] left, top, right, bottom, any unit
        def initialize(boxes)
          whole = Panels.whole(boxes)
          size = [0, 1].map { |axis| [whole[axis + 2] - whole[axis], 1e-12].max }
          @boxes = boxes.map { |box| box.each_with_index.map { |side, i| (side - whole[i % 2]).fdiv(size[i % 2]) } }
        end

        def self.whole(boxes) = boxes.transpose.each_with_index.map { |sides, i| i < 2 ? sides.min : sides.max }

        # Share that two boxes have in common of what either covers.
        def self.common(first, other)
          both = [0, 1].map { |axis| [[first[axis + 2], other[axis + 2]].min - [first[axis], other[axis]].max, 0].max }
          areas = [first, other].sum { |left, top, right, bottom| (right - left) * (bottom - top) }
          both.reduce(:*).fdiv([areas - both.reduce(:*), 1e-12].max)
        end

        # @param cells [Array<Cell>] of the printed net; more than there are panels do no harm, as of a glue tab
        # @param quarters [Integer] by which the net is turned clockwise; mirrored [Boolean] before that
        # @return [Float] 0 to 1: 1 where every panel has a cell where it lies
        def on(cells, quarters, mirrored)
          boxes = cells.map(&:box)
          whole = Panels.whole(boxes)
          own = @boxes.map { |box| on_picture(turned(box, quarters, mirrored), whole) }
          least = own.map { |panel| boxes.map { |cell| Panels.common(panel, cell) }.max }.min
          (least / SAME).clamp(0.0, 1.0)
        end

        private

        def on_picture(box, whole) =
          box.each_with_index.map { |side, i| whole[i % 2] + (side * (whole[(i % 2) + 2] - whole[i % 2])) }

        def turned((left, top, right, bottom), quarters, mirrored)
          left, right = [1 - right, 1 - left] if mirrored
          quarters.times { left, top, right, bottom = [1 - bottom, left, 1 - top, right] }
          [left, top, right, bottom]
        end
      end
    end
  end
end
