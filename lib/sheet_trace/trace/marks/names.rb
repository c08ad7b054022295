# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # What each island is: its letter, its name, the side of the model that it is on, and which way is up on it.
      # Within the island as large as there is room; where there is none, in free room beside it, with a line to it.
      class Names
        LARGEST = 0.035 # of the sheet's longer side
        ARROW = 1.1 # ems beside the text, for the arrow
        # Of a text's height, how high its box is.
        ROOM = 1.35
        # Share of the model's width from its middle within which an island is on neither side.
        MIDDLE = 0.05
        NO_LETTERING = "no lettering"
        private_constant :LARGEST, :ARROW, :ROOM, :MIDDLE, :NO_LETTERING

        # @param subject [Subject]
        # @return [Array] Drawing::Words and Drawing::Strokes
        def self.call(subject) = new(subject).send(:items)

        def initialize(subject)
          @subject = subject
          @marks = subject.options[:marks]
          @color = Marks.color(subject)
          @arrow = @marks.include?("arrows")
        end
        private_class_method :new

        private

        # What has room of its own first, so that what has none finds what is left.
        def items
          labels = @subject.stacks.each_with_index.map { |stack, i| [stack, lines(stack, i)] }
          labels.reject! { |_stack, lines| lines.empty? && !@arrow }
          within, beside = labels.map { |stack, lines| [stack, lines, room(stack.first, lines)] }.partition(&:last)
          within.flat_map { |stack, lines, found| label(stack.first, lines, *found) } +
            beside.flat_map { |stack, lines, _| leader(stack.first, lines) }
        end

        # @return [Array<String>] lines of text
        def lines(stack, index)
          island = stack.first
          words = []
          words << letter(index) if @marks.include?("letters")
          words << @subject.name(island) if @marks.include?("names")
          words << side(island, words) if @marks.include?("sides")
          text = words.compact.join(" ")
          [text, (NO_LETTERING if @marks.include?("twins") && reflected?(stack))].compact.reject(&:empty?)
        end

        # A to Z, then AA and so on.
        def letter(index) = index < 26 ? (65 + index).chr : letter((index / 26) - 1) + letter(index % 26)

        def side(island, words)
          mesh = @subject.map.mesh
          low, high = mesh.bounds
          off = @subject.map.island_middles[island, 0] - ((low[0] + high[0]) / 2)
          return if off.abs < MIDDLE * (high[0] - low[0])

          name = off.negative? ? "left" : "right"
          name unless words.last.to_s.downcase.include?(name)
        end

        def reflected?(stack)
          stack.map { |island| @subject.facts.measures[island].mirrored }.uniq.size > 1
        end

        def width(lines) = (lines.map { |line| Drawing::Words.width(line) }.max || 0) + (@arrow ? ARROW : 0)
        def height(lines) = [lines.size, 1].max * ROOM

        # @return [Array(Array(Float, Float), Float, Float), nil] middle, size of the em, and turn: level or upright
        def room(island, lines)
          within = RoomWithin.new(inset(island))
          ratio = width(lines) / height(lines)
          most = LARGEST * [@subject.size.width_px, @subject.size.height_px].max * height(lines)
          level = within.call(ratio, most)
          upright = within.call(1 / ratio, most * ratio) if level.nil? || level.height < most * 0.6
          found = [[level, level&.height.to_f, 0.0], [upright, upright ? upright.height / ratio : 0.0, -Math::PI / 2]]
          best, tall, turn = found.max_by { |_own, high, turned| high * (turned.zero? ? 1.15 : 1) }
          size = tall / height(lines)
          [best.middle, size, turn] if best && size >= Marks.least_px(@subject)
        end

        # Drawn in from the borders where something else is written along them.
        def inset(island)
          corners = @subject.corners_px(island)
          deep = [
            (Rulers::DEEP_PX if @marks.include?("rulers")),
            (Neighbours::DEEP_PX if @marks.include?("neighbours"))
          ]
          return corners if deep.none?

          left, top, right, bottom = @subject.box(island)
          shares = [right - left, bottom - top].map { |side| [1 - (2 * deep.compact.sum / [side, 1e-9].max), 0.4].max }
          middle = Numo::DFloat[(left + right) / 2, (top + bottom) / 2]
          ((corners - middle) * Numo::DFloat[*shares]) + middle
        end

        def label(island, lines, middle, size, turn)
          left = -(@arrow ? ARROW : 0) / 2 * size
          words =
            lines.each_with_index.map do |line, i|
              down = (i - ((lines.size - 1) / 2.0)) * Drawing::Words::LINE * size
              x, y = placed(middle, left, down, turn)
              Drawing::Words.new(text: line, x: x, y: y, size_px: size, turn_rad: turn, **Marks.written(@subject))
            end
          @arrow ? words + [arrow(island, placed(middle, (width(lines) - ARROW) / 2 * size, 0, turn), size)] : words
        end

        def placed(middle, right, down, turn)
          cos = Math.cos(turn)
          sin = Math.sin(turn)
          [middle[0] + (right * cos) - (down * sin), middle[1] + (right * sin) + (down * cos)]
        end

        # Points to where up is on the model.
        def arrow(island, (x, y), size)
          up = @subject.up_rad(island)
          along = [Math.sin(up), -Math.cos(up)]
          aside = [along[1], -along[0]]
          at = ->(far, off) do
            [x + (far * along[0]) + (off * aside[0]), y + (far * along[1]) + (off * aside[1])].map { |px| px }
          end
          tip, tail, *wings =
            [
              at.call(size * 0.42, 0),
              at.call(-size * 0.42, 0),
              at.call(size * 0.1, size * 0.22),
              at.call(size * 0.1, -size * 0.22)
            ]
          Drawing::Strokes.of(
            [[*tail, *tip], *wings.map { |wing| [*wing, *tip] }],
            line_px: [size / 11, 1.0].max,
            color: @color
          )
        end

        def leader(island, lines)
          size = Marks.least_px(@subject) * 1.3
          box = [width(lines) * size, height(lines) * size]
          inside =
            @subject.points_px[@subject.map.triangles.points[@subject.map.island_triangles[island][0], true], true]
          near = inside.mean(axis: 0).to_a
          place = @subject.room(*box, near: near) or return []

          middle = place.zip(box).map { |from, side| from + (side / 2) }
          from = near.zip(place, box).map { |to, low, side| to.clamp(low, low + side) }
          [Drawing::Strokes.of([[*from, *near]], line_px: 1.0, color: @color), *label(island, lines, middle, size, 0.0)]
        end
      end
    end
  end
end
