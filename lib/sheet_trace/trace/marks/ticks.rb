# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Where pixels begin, along the border of a small sheet: longer every eighth.
      module Ticks
        SMALL_PX = 512
        EVERY_PX = 8
        private_constant :SMALL_PX, :EVERY_PX

        # @param subject [Subject]
        # @return [Array<Drawing::Strokes>]
        def self.call(subject)
          width = subject.size.width_px
          height = subject.size.height_px
          return [] if [width, height].max > SMALL_PX

          lines = (0..width).flat_map { |x| long(x).then { |far| [[x, 0, x, far], [x, height, x, height - far]] } }
          lines.concat((0..height).flat_map { |y| long(y).then { |far| [[0, y, far, y], [width, y, width - far, y]] } })
          [Drawing::Strokes.of(lines.map { |line| line.map(&:to_f) }, line_px: 0.25, color: Marks.color(subject))]
        end

        def self.long(px) = (px % EVERY_PX).zero? ? 2 : 1
        private_class_method :long
      end
    end
  end
end
