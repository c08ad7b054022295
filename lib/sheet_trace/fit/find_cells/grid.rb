# frozen_string_literal: true

module SheetTrace
  module Fit
    module FindCells
      # Recognises an atlas of textured fields, such as photos side by side, by its regular lines: columns of px that
      # all rows agree on. With gutters these are plain columns, evenly apart; without, steps from one column to the
      # next that are clearer than any other of the picture.
      module Grid
        MOST = 16
        MOST_ROWS = 512
        # How much clearer the least clear of the lines is than px are from each other elsewhere, and how far it stands
        # over the clearest that is no line.
        CLEAR = 2.2
        STAND_OUT = 1.25
        # Of 255: steps below this are no lines at all.
        LEAST_STEP = 5.0
        # Spread of a plain column or row, 0 to 255, and how much more others have.
        PLAIN = 7.0
        # px that lines and gutters may be off, as fields are whole px.
        OFF_PX = 1
        # px on either side of a line that are looked at together.
        BESIDE_PX = 3
        # Smaller fields have no texture to speak of.
        LEAST_FIELD_PX = 4 * BESIDE_PX
        private_constant :MOST,
                         :MOST_ROWS,
                         :CLEAR,
                         :STAND_OUT,
                         :LEAST_STEP,
                         :PLAIN,
                         :OFF_PX,
                         :BESIDE_PX,
                         :LEAST_FIELD_PX

        # @param pixels [Numo::UInt8] h x w x 4
        # @return [Hash, nil] columns:, rows:, gutter_px:, margin_px: as GridCells takes them; nil where no lines
        #   stand out
        def self.call(pixels)
          across, down = [some_rows(pixels), some_rows(pixels.transpose(1, 0, 2))]
          gutters = [across, down].map { |lines| gutters(lines.mean(axis: 2)) }
          return typed(*gutters) if gutters.all? && gutters.any? { |found| found[:count] > 1 } && agree?(*gutters)

          columns, rows = [across, down].map { |lines| steps(lines) }
          { columns: columns, rows: rows, gutter_px: 0, margin_px: 0 } if columns * rows > 1
        end

        # Rows evenly apart tell the columns as well as all of them do.
        #
        # @return [Numo::SFloat] n x length x 3
        def self.some_rows(pixels)
          every = [pixels.shape[0] / MOST_ROWS, 1].max
          Numo::SFloat.cast(pixels[(0...pixels.shape[0]).step(every).to_a, true, 0..2])
        end

        # Counts of fields by their steps, 1 where none stand out.
        #
        # @param lines [Numo::SFloat] n x length x 3
        def self.steps(lines)
          most = [MOST, lines.shape[1] / LEAST_FIELD_PX].min
          return 1 if most < 2

          profile = profile(lines)
          usual = profile.to_a.sort[profile.size / 2]
          most.downto(2).find { |count| stand_out?(profile, count, usual) } || 1
        end

        # How much the px on either side of each place differ, a few together, so that grain counts less than fields do.
        def self.profile(lines)
          length = lines.shape[1]
          sums = Numo::SFloat.zeros(lines.shape[0], length + 1, 3)
          sums[true, 1.., true] = lines.cumsum(axis: 1)
          last = length - BESIDE_PX
          before = sums[true, BESIDE_PX..last, true] - sums[true, 0..(last - BESIDE_PX), true]
          after = sums[true, (2 * BESIDE_PX)..length, true] - sums[true, BESIDE_PX..last, true]
          Numo::DFloat
            .zeros(length)
            .tap do |profile|
              profile[BESIDE_PX..last] = Numo::DFloat.cast((after - before).abs.mean(axis: 2).mean(axis: 0)) / BESIDE_PX
            end
        end

        def self.stand_out?(profile, count, usual)
          length = profile.size
          places = Array.new(count - 1) { |k| ((k + 1) * length.fdiv(count)).round }
          least = places.map { |at| profile[(at - OFF_PX)..(at + OFF_PX)].max }.min
          rest =
            (0...length).to_a - places.flat_map { |at| ((at - BESIDE_PX - OFF_PX)..(at + BESIDE_PX + OFF_PX)).to_a }
          return false if least < [CLEAR * usual, LEAST_STEP].max

          least >= STAND_OUT * profile[rest].max
        end

        # Plain columns in even runs.
        #
        # @return [Hash, nil] count: of fields, gutter: and margin: px
        def self.gutters(lines)
          length = lines.shape[1]
          plain = (lines.stddev(axis: 0) < PLAIN).to_a
          runs = runs(plain)
          return if runs.empty? || runs.sum { |from, to| to - from } > length / 2

          margins = [
            runs.first[0].zero? ? runs.shift[1] : 0,
            runs.any? && runs.last[1] == length ? length - runs.pop[0] : 0
          ]
          return { count: 1, gutter: nil, margin: margins.max } if runs.empty?

          even(runs, length, margins)
        end

        def self.even(runs, length, margins)
          starts = [margins[0], *runs.map(&:last)]
          ends = [*runs.map(&:first), length - margins[1]]
          fields = starts.zip(ends).map { |from, to| to - from }
          widths = runs.map { |from, to| to - from }
          return if fields.min < LEAST_FIELD_PX
          return if [fields, widths, margins].any? { |sizes| sizes.max - sizes.min > 2 * OFF_PX } || runs.size >= MOST

          { count: fields.size, gutter: widths.sum.fdiv(widths.size).round, margin: margins.sum / 2 }
        end

        def self.runs(plain)
          plain
            .each_with_index
            .chunk_while { |(a, _), (b, _)| a == b }
            .filter_map { |run| [run.first[1], run.last[1] + 1] if run.first[0] == 1 }
        end

        # Whether both directions tell the same gutter, or one of them is not divided.
        def self.agree?(across, down)
          gutters = [across, down].filter_map { |found| found[:gutter] }
          gutters.max - gutters.min <= OFF_PX && (across[:margin] - down[:margin]).abs <= OFF_PX
        end

        def self.typed(across, down)
          {
            columns: across[:count],
            rows: down[:count],
            gutter_px: [across, down].filter_map { |found| found[:gutter] }.first,
            margin_px: across[:margin]
          }
        end
        private_class_method :some_rows, :steps, :profile, :stand_out?, :gutters, :even, :runs, :agree?, :typed
      end
    end
  end
end
