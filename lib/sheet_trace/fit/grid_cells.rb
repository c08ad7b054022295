# frozen_string_literal: true

module SheetTrace
  module Fit
    # The cells of a regular grid that was typed, whole px each: named by column letters and row numbers, as on a map.
    module GridCells
      MOST = 4096
      private_constant :MOST

      # @param width_px, height_px [Integer] of the picture
      # @param columns, rows [Integer]; gutter_px, margin_px [Integer] between cells and round them
      # @return [Array<Cell>] row by row
      # @raise [InputError] where the px don't suffice; where: { columns:, rows: }
      def self.call(width_px, height_px, columns:, rows:, gutter_px: 0, margin_px: 0)
        if columns * rows > MOST
          raise InputError.new(
                  "#{columns} x #{rows} are #{columns * rows} cells; at most #{MOST} are taken",
                  where: {
                    columns: columns,
                    rows: rows
                  }
                )
        end

        across = spans(width_px, columns, gutter_px, margin_px)
        down = spans(height_px, rows, gutter_px, margin_px)
        if (across + down).any? { |from, to| to <= from }
          raise InputError.new(
                  "#{columns} x #{rows} cells with gutters of #{gutter_px} and a margin of #{margin_px} px don't fit " \
                    "on #{width_px} x #{height_px} px",
                  where: {
                    columns: columns,
                    rows: rows
                  }
                )
        end

        down.each_with_index.flat_map do |(top, bottom), row|
          across.each_with_index.map do |(left, right), column|
            Cell.new(name: name(column, row), x: left, y: top, width: right - left, height: bottom - top)
          end
        end
      end

      # @return [String] such as "A1", "B3", "AA12"
      def self.name(column, row) = "#{letters(column)}#{row + 1}"

      def self.letters(number) =
        number < 26 ? ("A".ord + number).chr : letters((number / 26) - 1) + letters(number % 26)

      # Rounded to whole px at either end, so that equal cells differ by a px at the most and no px is lost.
      def self.spans(length, count, gutter, margin)
        step = (length - (2 * margin) + gutter).fdiv(count)
        Array.new(count) { |i| [(margin + (i * step)).round, (margin + ((i + 1) * step) - gutter).round] }
      end
      private_class_method :letters, :spans
    end
  end
end
