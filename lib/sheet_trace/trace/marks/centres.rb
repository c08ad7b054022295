# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # The middle of each island, across and down as it stands upright on the model.
      module Centres
        # @param subject [Subject]
        # @return [Array<Drawing::Strokes>]
        def self.call(subject)
          lines = subject.stacks.flat_map { |stack| lines(subject, stack.first) }
          line_px = subject.options[:line_px].to_f
          [
            Drawing::Strokes.of(
              lines,
              line_px: [line_px / 2, 1.0].max,
              color: Marks.color(subject),
              dash_px: [8.0, 3.0, 2.0, 3.0]
            )
          ]
        end

        # Within the island's triangles only.
        def self.lines(subject, island)
          corners = subject.corners_px(island).to_a
          left, top, right, bottom = subject.box(island)
          middle = [(left + right) / 2, (top + bottom) / 2]
          reach = Math.hypot(right - left, bottom - top)
          up = subject.up_rad(island)
          [[Math.sin(up), -Math.cos(up)], [Math.cos(up), Math.sin(up)]].flat_map do |direction|
            Inside.line(corners, middle, direction, reach)
          end
        end
        private_class_method :lines
      end
    end
  end
end
