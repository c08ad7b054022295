# frozen_string_literal: true

module SheetTrace
  class Layout
    # Packs rectangles in rows, tallest first, at the largest common scale that fits the sheet.
    # Source: next-fit decreasing height, in Coffman, Garey, Johnson, Tarjan, "Performance bounds for
    #   level-oriented two-dimensional packing algorithms", SIAM Journal on Computing 9, 1980.
    module PackRows
      STEPS = 30 # of the search for the scale; each halves the range
      private_constant :STEPS

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

      def self.largest_scale(sizes, order, sheet, gutter)
        area = sizes.sum { |width, height| width * height }
        high = area.zero? ? 1.0 : Math.sqrt(sheet.width_px * sheet.height_px / area)
        low = 0.0
        STEPS.times do
          middle = (low + high) / 2
          rows(sizes, order, sheet, gutter, middle) ? low = middle : high = middle
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
