# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Millimetres of the model along the left and the lower side of each island's box, where the island keeps shapes.
      module Rulers
        STEPS_MM = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].freeze
        APART_PX = 6.0 # between ticks
        NAMED_PX = 34.0 # between numbers
        TICK_PX = 5.0
        TRUE_ENOUGH = 1.02
        # How far ticks and numbers reach into an island.
        DEEP_PX = 28.0
        private_constant :STEPS_MM, :APART_PX, :NAMED_PX, :TICK_PX, :TRUE_ENOUGH

        # @param subject [Subject]
        # @return [Array] Drawing::Strokes and Drawing::Words
        def self.call(subject)
          subject
            .stacks
            .map(&:first)
            .flat_map do |island|
              stretch = subject.facts.measures[island].stretch_worst
              stretch && stretch <= TRUE_ENOUGH ? ruler(subject, island) : []
            end
        end

        def self.ruler(subject, island)
          left, top, right, bottom = subject.box(island)
          scale = subject.px_per_mm(island)
          step, named = [APART_PX, NAMED_PX].map { |px| STEPS_MM.find { |mm| mm * scale >= px } }
          return [] unless named

          numbers = []
          lines = [[left, bottom, right, bottom], [left, top, left, bottom]]
          each_mm(right - left, scale, step) do |mm, far|
            tall = (mm % named).zero? ? 2 : 1
            lines << [left + far, bottom, left + far, bottom - (TICK_PX * tall)]
            numbers << [mm, left + far, bottom - (TICK_PX * 3)] if tall == 2 && inner?(far, right - left)
          end
          each_mm(bottom - top, scale, step) do |mm, far|
            tall = (mm % named).zero? ? 2 : 1
            lines << [left, bottom - far, left + (TICK_PX * tall), bottom - far]
            numbers << [mm, left + (TICK_PX * 4), bottom - far] if tall == 2 && inner?(far, bottom - top)
          end
          color = Marks.color(subject)
          [
            Drawing::Strokes.of(lines, line_px: 1.0, color: color),
            *numbers.map { |mm, x, y| Drawing::Words.new(text: mm.to_s, x: x, y: y, size_px: 9.0, color: color) }
          ]
        end

        # Far enough from a side's ends for its number.
        def self.inner?(far, length) = far.between?(APART_PX, length - APART_PX)

        def self.each_mm(px, scale, step)
          mm = 0
          while mm * scale <= px
            yield mm, mm * scale
            mm += step
          end
        end
        private_class_method :ruler, :inner?, :each_mm
      end
    end
  end
end
