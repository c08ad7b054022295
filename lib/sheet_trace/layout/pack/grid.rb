# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # A sheet as cells, all in one number: where a mask fits is found for all places at once, by shifting what is
      # taken.
      # Source: bit-parallel search as for patterns in text, Baeza-Yates, Gonnet, "A new approach to text
      #   searching", CACM 35, 1992; the
      # rule that each piece goes as far up and left as it fits is bottom-left, Baker, Coffman, Rivest, SIAM Journal
      # on Computing 9, 1980.
      # Places are looked for by coarse cells; from there a piece slides up and left by fine ones.
      class Grid
        # Fine cells along the side of a coarse one.
        FINE = 4
        MOST_SLIDES = 6
        private_constant :MOST_SLIDES

        # @param columns [Integer]; rows [Integer] coarse cells; pad [Integer] fine cells about them that grown
        #   masks may take too
        def initialize(columns, rows, pad)
          @columns = columns
          @rows = rows
          @pad = pad
          @stride = columns + 1 # what reaches beyond is cut off; the column between keeps rows apart
          @taken = 0
          @fine = Array.new((rows * FINE) + (2 * pad), 0)
          @spread = nil
        end

        # @param mask [Mask] in coarse cells
        # @return [Array(Integer, Integer), nil] the uppermost column and row at which it fits, the leftmost of
        #   these; nil if none
        def place_for(mask)
          places = allowed(mask)
          mask.blocks.each do |row, rows, column, columns|
            break if places.zero?

            hit = over_rows(over_columns((row * @stride) + column, columns), rows)
            places &= ~hit
          end
          return if places.zero?

          ((places & -places).bit_length - 1).divmod(@stride).reverse
        end

        # From a place where it fits, up and left as far as it stays free.
        #
        # @param mask [Mask] in fine cells; column, row [Integer] fine
        # @return [Array(Integer, Integer)] column and row, fine
        def slid(mask, column, row)
          MOST_SLIDES.times do
            before = [column, row]
            row -= 1 while row.positive? && free?(mask, column, row - 1)
            column -= 1 while column.positive? && free?(mask, column - 1, row)
            break if before == [column, row]
          end
          [column, row]
        end

        # @param mask [Mask] in fine cells, grown by as many as pad has
        # @param column, row [Integer] of the bare mask, fine
        def take(mask, column, row)
          wide = (1 << ((@columns * FINE) + (2 * @pad))) - 1
          mask.rows.each_with_index do |bits, i|
            at = row + i
            next if at.negative? || at >= @fine.size

            @fine[at] |= (column.negative? ? bits >> -column : bits << column) & wide
          end
          take_coarse(mask, column - @pad, row - @pad)
          @spread = nil
        end

        private

        def free?(mask, column, row)
          column += @pad
          row += @pad
          mask.rows.each_with_index { |bits, i| return false if (@fine[row + i] >> column).anybits?(bits) }
          true
        end

        # All coarse cells that the fine ones touch.
        def take_coarse(mask, column, row)
          top = [row.div(FINE), 0].max
          rows = Array.new(mask.height.div(FINE) + 2, 0)
          mask.blocks.each do |from, count, left, columns|
            run = coarse_run(column + left, column + left + columns - 1)
            ((row + from).div(FINE)..(row + from + count - 1).div(FINE)).each do |at|
              rows[at - top] |= run if at >= top
            end
          end
          @taken |=
            rows.first([@rows - top, 0].max).reverse.reduce(0) { |all, bits| (all << @stride) | bits } << (
              top * @stride
            )
        end

        # @return [Integer] bits of a row: coarse columns from one fine column to another, as far as they lie on the
        #   grid
        def coarse_run(first, last)
          return 0 if last.negative? || first >= @columns * FINE

          from, to = [first, last].map { |at| at.div(FINE).clamp(0, @columns - 1) }
          ((1 << (to - from + 1)) - 1) << from
        end

        # Bits at which the mask lies on the sheet.
        def allowed(mask)
          across = @columns - mask.width + 1
          down = @rows - mask.height + 1
          return 0 if across < 1 || down < 1

          row_ones(down) * ((1 << across) - 1)
        end

        # One bit at the start of each of some rows.
        def row_ones(count)
          @ones ||=
            Hash.new do |all, rows|
              all[rows] = rows == 1 ? 1 : (all[rows / 2] << (@stride * (rows - (rows / 2)))) | all[rows - (rows / 2)]
            end
          @ones[count]
        end

        # What is taken at any of some columns from an offset on.
        def over_columns(offset, columns)
          power = columns.bit_length - 1
          table = spread(power)
          rest = columns - (1 << power)
          rest.zero? ? table >> offset : (table >> offset) | (table >> (offset + rest))
        end

        def over_rows(bits, rows)
          done = 1
          while done < rows
            step = [done, rows - done].min
            bits |= bits >> (step * @stride)
            done += step
          end
          bits
        end

        # What is taken at any of the next 2^power columns.
        def spread(power)
          @spread ||= [@taken]
          @spread << (@spread.last | (@spread.last >> (1 << (@spread.size - 1)))) while @spread.size <= power
          @spread[power]
        end
      end
    end
  end
end
