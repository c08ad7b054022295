# frozen_string_literal: true

module SheetTrace
  class Layout
    # Packs rectangles in rows, tallest first, at the largest common scale that fits the sheet.
    # Source: next-fit decreasing height, in Coffman, Garey, Johnson, Tarjan, "Performance bounds for
    #   level-oriented two-dimensional packing algorithms", SIAM Journal on Computing 9, 1980.
    module PackRows
      # Of the search for the scale, from the one at which they would fill the sheet down.
      STEP = 0.99
      MOST_STEPS = 400
      HALVINGS = 30
      private_constant :STEP, :MOST_STEPS, :HALVINGS

      # @param sizes [Array<Array(Float, Float)>] n widths and heights, any unit
      # @param sheet [Sheet]
      # @param gutter_px [Float] free px around each rectangle and at the border; it shrinks where the
      #   rectangles are so many that it would leave no room
      # @param order [Array<Integer>, nil] in which they follow each other; the tallest first if nil
      # @return [Array(Array<Array(Float, Float)>, Float)] the px of each rectangle's top left corner; px per unit
      def self.call(sizes, sheet:, gutter_px: 8.0, order: nil)
        gutter_px = [gutter_px, Math.sqrt(sheet.width_px * sheet.height_px / sizes.size.to_f) / 8].min
        order ||= sizes.each_index.sort_by { |i| [-sizes[i][1], i] }
        scale = largest_scale(sizes, order, sheet, gutter_px)
        [
          rows(sizes, order, sheet, gutter_px, scale) ||
            raise(LayoutError, "#{sizes.size} rectangles don't fit on #{sheet}"),
          scale
        ]
      end

      # Rows break elsewhere at each scale, so that a larger one may fit where a smaller does not: it is looked for from
      # above, in small steps, and then between two of them.
      def self.largest_scale(sizes, order, sheet, gutter)
        area = sizes.sum { |width, height| width * height }
        high = area.zero? ? 1.0 : Math.sqrt(sheet.width_px * sheet.height_px / area)
        fits = ->(scale) { !rows(sizes, order, sheet, gutter, scale).nil? }
        low = Array.new(MOST_STEPS) { |step| high * (STEP**(step + 1)) }.find(&fits) || 0.0
        high = low.zero? ? high * (STEP**MOST_STEPS) : low / STEP
        HALVINGS.times do
          middle = (low + high) / 2
          fits.call(middle) ? low = middle : high = middle
        end
        low
      end

      # @return [Array, nil] nil if they don't fit
      def self.rows(sizes, order, sheet, gutter, scale)
        places = Array.new(sizes.size)
        x = y = gutter
        row_height = 0.0
        order.each do |i|
          width, height = sizes[i]
          width *= scale
          height *= scale
          if x > gutter && x + width + gutter > sheet.width_px
            x = gutter
            y += row_height + gutter
            row_height = 0.0
          end
          return nil if x + width + gutter > sheet.width_px || y + height + gutter > sheet.height_px

          places[i] = [x, y]
          x += width + gutter
          row_height = height if height > row_height
        end
        places
      end
      private_class_method :largest_scale, :rows
    end
  end
end
