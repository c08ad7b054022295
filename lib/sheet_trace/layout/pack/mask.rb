# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # The cells of a grid that an outline touches, a row a number whose bits are cells, the lowest the leftmost.
      class Mask
        NIL_WIDTH = 1e-9
        private_constant :NIL_WIDTH

        # @return [Array<Integer>] rows from the top
        attr_reader :rows
        # @return [Integer] columns
        attr_reader :width

        # @param lines [Array<Array>] as Outlines gives them, in cells, the least x and y 0
        # @return [Mask] of at least one cell
        def self.of_lines(lines)
          height = [(lines.flat_map { |line| [line[1], line[3]] }.max - NIL_WIDTH).ceil, 1].max
          rows = Array.new(height, 0)
          crossings = Array.new(height) { [] }
          lines.each { |line| touch(line, rows, crossings) }
          former = inside = nil # straight sides are crossed alike in many rows
          crossings.each_with_index do |found, row|
            next if found.size < 2

            inside = filled(found) unless found == former
            former = found
            rows[row] |= inside
          end
          new(rows)
        end

        # Cells along a line, row by row, and where it crosses the rows' middles.
        def self.touch((x1, y1, x2, y2, layers), rows, crossings)
          top, bottom = y1 < y2 ? [y1, y2] : [y2, y1]
          slope = y1 == y2 ? 0.0 : (x2 - x1) / (y2 - y1)
          first = top.floor.clamp(0, rows.size - 1)
          last = ((bottom - NIL_WIDTH).ceil - 1).clamp(first, rows.size - 1)
          return touch_upright(x1, top, bottom, y1 < y2 ? layers : -layers, first..last, rows, crossings) if x1 == x2

          (first..last).each do |row|
            if first == last
              a = x1
              b = x2
            else
              a = x1 + (([row, top].max - y1) * slope)
              b = x1 + (([row + 1, bottom].min - y1) * slope)
            end
            a, b = b, a if b < a
            rows[row] |= span(a, b)
            middle = row + 0.5
            if middle > top && middle <= bottom
              crossings[row] << [x1 + ((middle - y1) * slope), y1 < y2 ? layers : -layers]
            end
          end
        end

        # The same in every row, for a line straight down or up.
        def self.touch_upright(x, top, bottom, layers, lines, rows, crossings)
          bits = span(x, x)
          crossing = [x, layers]
          lines.each do |row|
            rows[row] |= bits
            middle = row + 0.5
            crossings[row] << crossing if middle > top && middle <= bottom
          end
        end

        def self.span(left, right)
          from = (left + NIL_WIDTH).floor
          from = 0 if from.negative?
          to = (right - NIL_WIDTH).ceil
          to = from + 1 if to <= from
          ((1 << (to - from)) - 1) << from
        end

        def self.filled(crossings)
          depth = 0
          start = nil
          crossings
            .sort_by!(&:first)
            .reduce(0) do |row, (x, layers)|
              start = x if depth.zero?
              depth += layers
              depth.zero? ? row | span(start, x) : row
            end
        end
        private_class_method :touch, :touch_upright, :span, :filled

        def initialize(rows)
          @rows = rows
          @width = rows.map(&:bit_length).max
        end

        def height = rows.size

        # @param reach [Float] cells
        # @return [Mask] with all cells nearer than that; the first row and column lie by the whole reach, rounded
        #   up, before this one's
        def grown(reach)
          return self if reach <= 0

          most = reach.ceil
          widths = (-most..most).map { |dy| half_width(dy, reach) }
          wide = widths.compact.uniq.to_h { |half| [half, widened(half, most)] }
          alike = run_lengths
          Mask.new(
            Array.new(height + (2 * most)) do |y|
              # Between rows that are all the same, the widest says it all.
              next wide[widths[most]][y] if y < height && alike[y] > 2 * most

              widths
                .each_with_index
                .reduce(0) do |row, (half, i)|
                  from = y - i
                  half && from >= 0 && from < height ? row | wide[half][from] : row
                end
            end
          )
        end

        # Runs of cells that are the same over some rows: row, rows, column, columns.
        #
        # @return [Array<Array(Integer, Integer, Integer, Integer)>]
        def blocks
          @blocks ||=
            rows
              .each_with_index
              .chunk_while { |(a, _), (b, _)| a == b }
              .flat_map do |same|
                runs(same.first[0]).map { |column, columns| [same.first[1], same.size, column, columns] }
              end
        end

        # @param stride [Integer] bits of a row of the grid
        # @return [Integer]
        def bits(stride) = rows.reverse.reduce(0) { |all, row| (all << stride) | row }

        private

        # Each row's cells and as many beside each, in rows that begin `most` before.
        def widened(half, most)
          former = wide = nil
          rows.map do |row|
            wide = spread(row << (most - half), (2 * half) + 1) unless row == former
            former = row
            wide
          end
        end

        # @return [Array<Integer>] by row: how many rows up to it, itself too, are the same
        def run_lengths
          length = 0
          rows.each_index.map { |y| length = y.positive? && rows[y] == rows[y - 1] ? length + 1 : 1 }
        end

        # Columns to either side that come nearer than the reach, some rows off; nil where none does.
        def half_width(rows_off, reach)
          up = [rows_off.abs - 1, 0].max
          return if up >= reach

          Math.sqrt((reach**2) - (up**2)).ceil
        end

        # Each cell and as many to its right.
        def spread(row, count)
          done = 1
          while done < count
            step = [done, count - done].min
            row |= row << step
            done += step
          end
          row
        end

        def runs(row)
          found = []
          at = 0
          while row.positive?
            skip = (row & -row).bit_length - 1
            row >>= skip
            at += skip
            length = ((row + 1) & ~row).bit_length - 1
            found << [at, length]
            row >>= length
            at += length
          end
          found
        end
      end
    end
  end
end
