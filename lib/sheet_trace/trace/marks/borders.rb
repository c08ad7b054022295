# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Lines beside the borders of islands: how far art is carried past them, and within which nothing is cut off that
      # must be seen.
      module Borders
        DASH = { "bleed" => [4.0, 4.0], "safe" => [1.5, 3.0] }.freeze
        private_constant :DASH

        # @param subject [Subject]
        # @return [Array<Drawing::Strokes>] one for each of the two that is asked for
        def self.call(subject)
          line_px = subject.options[:line_px].to_f
          (DASH.keys & subject.options[:marks]).map do |kind|
            ends = subject.islands.flat_map { |island| lines(subject, island, kind) }
            Drawing::Strokes.of(
              ends,
              line_px: line_px,
              color: Marks.color(subject),
              dash_px: DASH.fetch(kind).map { |length| length * line_px }
            )
          end
        end

        # Round every loop: the outermost outwards, holes into themselves, or the other way round.
        #
        # @return [Array<Array(Float, Float, Float, Float)>]
        def self.lines(subject, island, kind)
          scale = Math.sqrt(subject.scale.reduce(:*))
          away = (kind == "bleed" ? subject.options[:bleed_px] : -subject.options[:safe_px]) * scale
          loops = subject.loops(island)
          outermost = loops.max_by { |own| box_area(own) }
          loops.flat_map do |own|
            round = Geometry::Offset.call(own, own.equal?(outermost) ? away : -away)
            round.zip(round.rotate).map { |from, to| [*from, *to] }
          end
        end

        def self.box_area(own)
          own.transpose.map { |values| values.max - values.min }.reduce(:*)
        end
        private_class_method :lines, :box_area
      end
    end
  end
end
