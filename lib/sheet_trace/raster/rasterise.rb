# frozen_string_literal: true

module SheetTrace
  module Raster
    # Finds the texels whose centres lie in triangles: first the rows that each triangle crosses, then the
    # run of texels in each row. Two triangles that share an edge neither both take a texel nor leave
    # one out, because both work the edge out from its upper end and ends of runs are half open.
    # O(rows + texels), all in arrays.
    module Rasterise
      # @param corners [Numo::DFloat] K x 3 x 2, px from the top left corner
      # @return [Array(Numo::Int64, Numo::Int64)] texel numbers (y * width_px + x), and the triangle of each
      def self.call(corners, width_px, height_px)
        return Numo::Int64.zeros(0), Numo::Int64.zeros(0) if corners.empty?

        y = corners[true, true, 1]
        first = first_centre(y.min(axis: 1), height_px)
        counts = first_centre(y.max(axis: 1), height_px) - first
        triangles = Geometry::Grouped.repeat(counts)
        return triangles, triangles if triangles.empty?

        rows = first[triangles] + Geometry::Grouped.places(counts, triangles)
        left, right = run_ends(corners, triangles, Numo::DFloat.cast(rows) + 0.5)
        texels_of(rows, triangles, first_centre(left, width_px), first_centre(right, width_px), width_px)
      end

      # The number of the first centre (i + 0.5) at or behind a place, held to 0..limit.
      def self.first_centre(places, limit) = Numo::Int64.cast((places - 0.5).ceil.clip(0, limit))

      def self.run_ends(corners, triangles, at_y)
        left = Numo::DFloat.new(triangles.size).fill(Float::INFINITY)
        right = Numo::DFloat.new(triangles.size).fill(-Float::INFINITY)
        [[0, 1], [1, 2], [2, 0]].each do |a, b|
          x0, y0, slope, y1 =
            downward(corners[true, a, true], corners[true, b, true]).map { |column| column[triangles] }
          crossed = (y0 <= at_y) & (at_y < y1)
          at_x = x0 + ((at_y - y0) * slope)
          left[crossed] = Numo::DFloat.minimum(left, at_x)[crossed]
          right[crossed] = Numo::DFloat.maximum(right, at_x)[crossed]
        end
        none = left > right
        left[none] = right[none] = 0.0
        [left, right]
      end

      # Edges from their upper to their lower end, so that both triangles at an edge reckon alike.
      def self.downward(from, to)
        swap = (from[true, 1] > to[true, 1]) | (from[true, 1].eq(to[true, 1]) & (from[true, 0] > to[true, 0]))
        x0, x1 = exchange(from[true, 0], to[true, 0], swap)
        y0, y1 = exchange(from[true, 1], to[true, 1], swap)
        height = y1 - y0
        height[height.eq(0)] = 1.0
        [x0, y0, (x1 - x0) / height, y1]
      end

      def self.exchange(a, b, swap)
        first = a.copy
        second = b.copy
        first[swap] = b[swap]
        second[swap] = a[swap]
        [first, second]
      end

      def self.texels_of(rows, triangles, first, stop, width_px)
        counts = stop - first
        runs = Geometry::Grouped.repeat(counts)
        return runs, runs if runs.empty?

        starts = (rows * width_px) + first - (counts.cumsum - counts)
        [starts[runs] + Numo::Int64.new(runs.size).seq, triangles[runs]]
      end
      private_class_method :first_centre, :run_ends, :downward, :exchange, :texels_of
    end
  end
end
