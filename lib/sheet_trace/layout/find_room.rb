# frozen_string_literal: true

module SheetTrace
  class Layout
    # Free places on a sheet, found on a coarse grid: a cell counts as taken where an island covers it or comes near.
    class FindRoom
      CELLS = 512
      private_constant :CELLS

      # @param layout [Layout]
      # @param without [Array<Integer>] islands that take no room
      # @param gutter_px [Numeric] to be kept free round what is placed
      def initialize(layout, without:, gutter_px:)
        @sheet = layout.sheet
        @cell = [[@sheet.width_px, @sheet.height_px].max.fdiv(CELLS), 0.25].max
        @gutter = gutter_px
        @edge = (gutter_px / @cell).ceil # cells past the border, where a gutter may lie
        @taken = Numo::Int32.zeros(cells(@sheet.height_px) + (2 * @edge), cells(@sheet.width_px) + (2 * @edge))
        take_islands(layout, (0...layout.uv_map.island_count).to_a - without)
      end

      # Finds room for a box and takes it.
      #
      # @param width_px [Float]
      # @param height_px [Float]
      # @param near [Array(Float, Float)] where its left upper corner would best be, px
      # @return [Array(Float, Float), nil] where it can be; nil if there is no room
      def call(width_px, height_px, near:)
        across, down = [width_px, height_px].map { |px| ((px + (2 * @gutter)) / @cell).ceil + 1 }
        rows, columns = @taken.shape
        return if down > rows || across > columns

        free =
          sums[down..-1, across..-1] - sums[0...-down, across..-1] - sums[down..-1, 0...-across] +
            sums[0...-down, 0...-across]
        places = free.eq(0).flatten.where
        return if places.empty?

        best = nearest(places, free.shape[1], near)
        y, x = best.divmod(free.shape[1])
        @taken[y...(y + down), x...(x + across)] = 1
        @sums = nil
        [((x - @edge) * @cell) + @gutter, ((y - @edge) * @cell) + @gutter]
      end

      # @return [Float] px along the side of the largest square that would find room, to a cell; 0 where there is none
      def largest_square_px
        inner = @taken.shape.map { |cells| cells - (2 * @edge) }.min
        side = (0..inner).bsearch { |cells| cells == inner || !square?(cells + 1) }
        side * @cell
      end

      # @return [Boolean] whether a box and its gutter would cover nothing, and stay on the sheet
      def free?(left, top, right, bottom)
        return false if left < 0 || top < 0 || right > @sheet.width_px || bottom > @sheet.height_px

        columns, rows =
          [[left, right], [top, bottom]].map do |low, high|
            (((low - @gutter) / @cell) + @edge).floor.clamp(0, nil)..(((high + @gutter) / @cell) + @edge).floor
          end
        @taken[
          rows.begin..[rows.end, @taken.shape[0] - 1].min,
          columns.begin..[columns.end, @taken.shape[1] - 1].min
        ].max.zero?
      end

      private

      def square?(side)
        size = side + (2 * @edge)
        (
          sums[size..-1, size..-1] - sums[0...-size, size..-1] - sums[size..-1, 0...-size] + sums[0...-size, 0...-size]
        ).eq(0).any?
      end

      def cells(px) = (px / @cell).floor

      def nearest(places, width, near)
        x, y = near.map { |px| ((px - @gutter) / @cell) + @edge }
        places[((((places % width) - x)**2) + (((places / width) - y)**2)).min_index]
      end

      # Summed areas: entry (y, x) counts the taken cells above and left of it.
      # Source: Crow, "Summed-area tables for texture mapping", SIGGRAPH 1984.
      def sums
        @sums ||=
          Numo::Int32
            .zeros(@taken.shape[0] + 1, @taken.shape[1] + 1)
            .tap { |table| table[1..-1, 1..-1] = @taken.cumsum(axis: 0).cumsum(axis: 1) }
      end

      def take_islands(layout, islands)
        return if islands.empty?

        map = layout.uv_map
        rows = islands.map { |island| map.island_triangles[island] }.reject(&:empty?)
        return if rows.empty?

        places = layout.points_px / @cell
        points = map.triangles.points[rows.first.concatenate(*rows[1..]), true]
        corners = Numo::DFloat.zeros(*points.shape, 2)
        2.times { |axis| corners[true, true, axis] = places[true, axis][points] + @edge }
        mark(corners)
      end

      def mark(corners)
        height, width = @taken.shape
        texels, = Raster::Rasterise.call(corners, width, height)
        tips = Numo::Int64.cast(corners.floor).reshape(corners.size / 2, 2)
        inside =
          ((tips[true, 0] >= 0) & (tips[true, 0] < width) & (tips[true, 1] >= 0) & (tips[true, 1] < height)).where
        flat = Numo::Int32.zeros(height * width)
        flat[texels] = 1 unless texels.empty?
        flat[(tips[inside, 1] * width) + tips[inside, 0]] = 1 unless inside.empty?
        grown = flat.reshape(height, width)
        # A cell whose middle is free may still be touched.
        [[1, 0], [-1, 0], [0, 1], [0, -1]].each do |dy, dx|
          @taken[target(dy, height), target(dx, width)] |= grown[target(-dy, height), target(-dx, width)]
        end
        @taken |= grown
      end

      def target(by, size) = by.negative? ? (0...(size + by)) : (by...size)
    end
  end
end
