# frozen_string_literal: true

module SheetTrace
  module Trace
    # The largest upright box of some proportions that lies within triangles, on a coarse grid.
    class RoomWithin
      CELLS = 64 # along the longer side
      private_constant :CELLS

      # middle [Array(Float, Float)] px; height [Float] of the box, px
      Found = Struct.new(:middle, :height)

      # @param corners [Numo::DFloat] t x 3 x 2, px
      def initialize(corners)
        low = [0, 1].map { |axis| corners[true, true, axis].min }
        high = [0, 1].map { |axis| corners[true, true, axis].max }
        @low = low
        @cell = [low.zip(high).map { |from, to| to - from }.max / CELLS, 1e-9].max
        columns, rows = low.zip(high).map { |from, to| [((to - from) / @cell).ceil, 1].max }
        places, = Raster::Rasterise.call((corners - Numo::DFloat[*low]) / @cell, columns, rows)
        inside = Numo::Int32.zeros(rows * columns)
        inside[places] = 1 unless places.empty?
        @sums = Numo::Int32.zeros(rows + 1, columns + 1)
        @sums[1.., 1..] = inside.reshape(rows, columns).cumsum(axis: 0).cumsum(axis: 1)
      end

      # @param ratio [Float] width over height; most [Float] px, no higher
      # @return [Found, nil] the largest, as near to the middle as there is room; nil where none is larger than a cell
      def call(ratio, most)
        rows, columns = @sums.shape.map { |side| side - 1 }
        least = @cell
        high = [most, rows * @cell, columns * @cell / ratio].min
        return if high < least

        8.times do
          half = (least + high) / 2
          free(ratio, half) ? least = half : high = half
        end
        place = free(ratio, least)
        place && Found.new(place, least)
      end

      private

      # @return [Array(Float, Float), nil] middle of a free box of this height, px
      def free(ratio, height)
        # A cell more, as cells at a border are half outside.
        down, across = [height, height * ratio].map { |side| (side / @cell).ceil + 1 }
        return if down >= @sums.shape[0] || across >= @sums.shape[1]

        covered = sums(down, across)
        places = covered.eq(down * across).where
        return if places.empty?

        width = covered.shape[1]
        y = Numo::DFloat.cast(places / width) + (down / 2.0)
        x = Numo::DFloat.cast(places % width) + (across / 2.0)
        off = ((x - ((@sums.shape[1] - 1) / 2.0))**2) + ((y - ((@sums.shape[0] - 1) / 2.0))**2)
        best = off.min_index
        [@low[0] + (x[best] * @cell), @low[1] + (y[best] * @cell)]
      end

      # How many cells of each box are inside.
      def sums(down, across)
        lower = @sums[down.., across..] - @sums[down.., 0...-across]
        lower - @sums[0...-down, across..] + @sums[0...-down, 0...-across]
      end
    end
  end
end
