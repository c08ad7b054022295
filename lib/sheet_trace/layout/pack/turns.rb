# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # The turns that are tried of an outline, and the outline turned.
      module Turns
        # Many islands are turned less freely, so that it takes no longer than it must.
        MANY = 200
        # Lines of an outline up to which it is looked at whether turns give the same again.
        MOST_COMPARED = 64
        PARTS_OF_PX = 16
        private_constant :MANY, :MOST_COMPARED, :PARTS_OF_PX

        # @param lines [Array<Array>] as Outlines gives them
        # @param turn [String] of Pack::TURNS
        # @param count [Integer] of what is packed
        # @return [Array<Float>] radians, clockwise
        def self.call(lines, turn, count)
          quarters = Array.new(4) { |k| k * Math::PI / 2 }
          return [0.0] if turn == "none" || lines.empty?
          return distinct(quarters, lines) if turn == "quarter"

          slim = slimmest(lines)
          distinct((count > MANY ? [] : quarters) + quarters.map { |quarter| quarter + slim }, lines)
        end

        # @return [Array<Array>] the lines turned about the left upper corner of the sheet
        def self.turned(lines, turn)
          return lines if turn.zero?

          cos = Math.cos(turn).round(15)
          sin = Math.sin(turn).round(15)
          lines.map do |x1, y1, x2, y2, layers|
            [(x1 * cos) - (y1 * sin), (x1 * sin) + (y1 * cos), (x2 * cos) - (y2 * sin), (x2 * sin) + (y2 * cos), layers]
          end
        end

        # @return [Array<Array>] the lines moved so that the least x and y are 0
        def self.at_zero(lines)
          left, top = corner(lines)
          lines.map { |x1, y1, x2, y2, layers| [x1 - left, y1 - top, x2 - left, y2 - top, layers] }
        end

        # @return [Array(Float, Float)] the least x and y
        def self.corner(lines) = [[0, 2], [1, 3]].map { |ends| lines.flat_map { |line| line.values_at(*ends) }.min }

        # Turns without those that give the same outline again, as half a turn of a rectangle does.
        def self.distinct(turns, lines)
          return turns if lines.size > MOST_COMPARED

          turns.uniq do |turn|
            at_zero(turned(lines, turn))
              .map do |x1, y1, x2, y2, layers|
                ends = [[x1, y1], [x2, y2]].map { |place| place.map { |px| (px * PARTS_OF_PX).round } }
                (ends <=> ends.reverse).positive? ? [*ends.reverse, -layers] : [*ends, layers]
              end
              .sort
          end
        end

        # The turn that gives the smallest box, to half a degree.
        def self.slimmest(lines)
          (0...180)
            .map { |half| half * Math::PI / 360 }
            .min_by do |turn|
              turned = turned(lines, turn)
              [[0, 2], [1, 3]].map do |ends|
                  turned.flat_map { |line| line.values_at(*ends) }.minmax.then { |least, most| most - least }
                end
                .reduce(:*)
            end
        end
        private_class_method :distinct, :slimmest
      end
    end
  end
end
