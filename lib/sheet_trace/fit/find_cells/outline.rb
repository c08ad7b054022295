# frozen_string_literal: true

module SheetTrace
  module Fit
    module FindCells
      # The outline of a mask: along the edges of its px, straightened to within a px.
      module Outline
        SLACK_PX = 1.0
        private_constant :SLACK_PX

        # @param mask [Numo::Bit] h x w, one piece without holes
        # @param left, top [Integer] px of the picture where it lies
        # @return [Array<Array(Integer, Integer)>] corners, clockwise to the eye
        def self.call(mask, left, top)
          ring = trace(mask)
          farthest = ring.each_index.max_by { |i| (ring[i][0] - ring[0][0]).abs + (ring[i][1] - ring[0][1]).abs }
          halves = [ring[0..farthest], ring[farthest..] + [ring[0]]]
          corners = halves.flat_map { |half| straightened(half)[0...-1] }
          corners = ring if corners.size < 3 # a line of px is as thin as the slack
          corners.map { |x, y| [x + left, y + top] }
        end

        # Round the px with the inside on the right hand, from the first px on: each step goes along one side of a px.
        def self.trace(mask)
          rows = mask.to_a
          taken = ->(x, y) { y >= 0 && x >= 0 && rows[y] && rows[y][x] == 1 }
          start = [rows[0].index(1), 0]
          at = start
          way = [1, 0]
          ring = []
          loop do
            ring << at
            at = [at[0] + way[0], at[1] + way[1]]
            way = turn(taken, at, way)
            break ring if at == start || ring.size > 4 * mask.size
          end
        end

        # At a corner of px: left where the px ahead on the left is taken, on where only the one on the right is, or
        # else right.
        def self.turn(taken, at, way)
          dx, dy = way
          left = [at[0] + [(dx + dy - 1) / 2, 0].min, at[1] + [(dy - dx - 1) / 2, 0].min]
          right = [at[0] + [(dx - dy - 1) / 2, 0].min, at[1] + [(dy + dx - 1) / 2, 0].min]
          return dy, -dx if taken.call(*left)

          taken.call(*right) ? way : [-dy, dx]
        end

        # Source: Douglas, Peucker, "Algorithms for the reduction of the number of points required to represent a
        #   digitized line or
        #   its caricature", Cartographica 10, 1973.
        def self.straightened(line)
          return line if line.size < 3

          (ax, ay), (bx, by) = line.values_at(0, -1)
          length = Math.hypot(bx - ax, by - ay)
          at = (1...(line.size - 1)).max_by { |i| off(line[i], ax, ay, bx, by, length) }
          return line.values_at(0, -1) if off(line[at], ax, ay, bx, by, length) <= SLACK_PX

          straightened(line[0..at])[0...-1] + straightened(line[at..])
        end

        def self.off((x, y), ax, ay, bx, by, length)
          return Math.hypot(x - ax, y - ay) if length.zero?

          (((bx - ax) * (y - ay)) - ((by - ay) * (x - ax))).abs / length
        end
        private_class_method :trace, :turn, :straightened, :off
      end
    end
  end
end
