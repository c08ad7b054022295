# frozen_string_literal: true

module SheetTrace
  module Fit
    module FindCells
      # Parts a rectangle in which gradients and flat colours run into each other, because one ends in the colour of
      # its neighbour: where a gradient comes to rest, and along straight lines that hardly differ at one end only.
      module PartGradients
        CLEAR = 6.0 # how much the px at both sides of a line differ in the mean, 0 to 255
        TIMES = 8 # the usual difference of a px and the next
        REST = 0.6 # what rounding and JPEG leave of a flat colour
        LEAST_PX = 4
        MOST_LINES = 3 # that run as clearly
        private_constant :CLEAR, :TIMES, :REST, :LEAST_PX, :MOST_LINES

        # @param box [Numo::DFloat] h x w x 3, 0 to 255
        # @return [Array<Array(Integer, Integer, Integer, Integer)>] left, top, width and height of the parts; one
        #   where there is nothing to part
        def self.call(box)
          height, width, = box.shape
          [[box, false], [box.transpose(1, 0, 2), true]].each do |lines, turned|
            at = border(lines) or next
            parts = [lines[true, 0...at, true], lines[true, at..-1, true]].map(&:copy)
            return placed(parts, at, turned) if parts.all? { |part| plain?(part) }
          end
          [[0, 0, width, height]]
        end

        def self.placed(parts, at, turned)
          parts
            .zip([0, at])
            .flat_map do |part, from|
              call(part).map do |left, top, width, height|
                turned ? [top, left + from, height, width] : [left + from, top, width, height]
              end
            end
        end

        # The column from which something else begins.
        def self.border(box)
          width = box.shape[1]
          return if width < 2 * LEAST_PX

          found = line(box) || rest(box.mean(axis: 0))
          found if found&.between?(LEAST_PX, width - LEAST_PX)
        end

        # A line across which most px differ.
        def self.line(box)
          steps = (box[true, 1..-1, true] - box[true, 0...-1, true]).abs.max(axis: 2).mean(axis: 0)
          at = steps.max_index
          return if steps[at] <= [CLEAR, TIMES * steps.median].max

          # Steps of a coarse gradient come often.
          at + 1 if steps.gt(steps[at] / 3).count_true <= MOST_LINES
        end

        # Where a gradient comes to rest at one end: there its straight line meets the colour in which it stays.
        #
        # @param colors [Numo::DFloat] w x 3, mean of each column
        def self.rest(colors)
          [[colors, false], [colors[(colors.shape[0] - 1).step(0, -1).to_a, true], true]].each do |own, reversed|
            steps = (own[1..-1, true] - own[0...-1, true]).abs.max(axis: 1).to_a
            still = steps.reverse.take_while { |step| step < REST }.size
            longest = steps[0...(steps.size - still)].chunk_while { |a, b| (a < REST) == (b < REST) }
            longest = longest.select { |run| run.first < REST }.map(&:size).max || 0
            next if still < LEAST_PX || still <= (3 * longest) + 3 || steps.size - still < LEAST_PX

            at = meeting(own[0..(steps.size - still), true], own[-1, true])
            return reversed ? colors.shape[0] - at : at
          end
          nil
        end

        # @param slope [Numo::DFloat] n x 3, the gradient's px; color [Numo::DFloat] 3, where it ends
        def self.meeting(slope, color)
          last = slope[[slope.shape[0] / 2, slope.shape[0] - 12].max..-2, true]
          channel = (last[-1, true] - last[0, true]).abs.max_index
          places = Numo::DFloat.new(last.shape[0]).seq + (slope.shape[0] - 1 - last.shape[0]) + 0.5
          values = last[true, channel]
          centred = places - places.mean
          rise = (centred * (values - values.mean)).sum / [(centred**2).sum, 1e-9].max
          rise.abs < 1e-9 ? slope.shape[0] : (places.mean + ((color[channel] - values.mean) / rise)).round
        end

        # Flat, or the same along rows or along columns.
        def self.plain?(box)
          [0, 1].any? { |axis| box.stddev(axis: axis).mean < FLAT / 4 } || line(box) || line(box.transpose(1, 0, 2))
        end
        private_class_method :placed, :border, :line, :rest, :meeting, :plain?
      end
    end
  end
end
