# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # By how much shapes come nearer to each other than they may, or lie off the sheet: the sum over places along
      # their outlines, squared, and how it changes as each shape moves.
      # Source: Imamichi, Yagiura, Nagamochi, "An iterated local search algorithm based on nonlinear programming for
      #   the irregular strip packing problem", Discrete Optimization 6, 2009; depths are from distance fields here.
      class Overlap
        # Outlines are looked at in their corners and that often between them, in cells of the fields.
        SPACING = 30
        # Shapes may go so far before it is looked again which are near each other, in cells.
        SLACK = 3
        # Of the sheet's borders, which are as many contacts in one.
        BORDER_WEIGHT = 8
        private_constant :SPACING, :SLACK, :BORDER_WEIGHT

        # @return [Integer] places along outlines
        def places = @x.size

        # @param shapes [Array<Array<Array>>] lines of each, px, the least x and y 0
        # @param held [Array<Boolean>] whether it neither moves nor grows
        # @param size_px [Array(Float, Float)] of the sheet; apart_px [Float] between shapes
        # @param cell_px [Float] of the distance fields
        def initialize(shapes, held, size_px:, apart_px:, cell_px:)
          @count = shapes.size
          @free = Numo::DFloat.cast(held.map { |own| own ? 0 : 1 })
          @size = Numo::DFloat.cast(size_px).expand_dims(1)
          @slack = SLACK * cell_px
          @apart = Numo::SFloat.new(@count, @count).fill(apart_px)
          @reach = apart_px + @slack
          @fields = DistanceFields.new(shapes, cell_px, @reach)
          @boxes = Numo::DFloat.cast([[0, 2], [1, 3]].map { |ends| shapes.map { |lines| reach(lines, ends) } })
          sample(shapes, SPACING * cell_px)
        end

        # @param at [Numo::DFloat] 2 x n, left and top of each shape, px
        # @param growth [Float] how many times as large as given shapes are that are not held
        # @return [Array(Float, Numo::DFloat, Float)] the sum, px^2; its derivative by left and top, 2 x n, px; the
        #   deepest, px
        def call(at, growth)
          look(at, growth) unless near?(at, growth)
          before, beyond = off_sheet(at)
          sum = BORDER_WEIGHT * ((before**2).sum + (beyond**2).sum)
          slope = (beyond - before) * (2 * BORDER_WEIGHT)
          deepest = [before.max, beyond.max].max
          depths, one, other, ways = @contacts&.call(at)
          if depths
            sum += depths.dot(depths)
            deepest = [deepest, depths.max].max
            ways.each_with_index { |way, axis| slope[axis, true] += pushes(way * depths * -2, one, other) }
          end
          [sum, slope * @free, deepest]
        end

        # @param one, other [Integer] shapes that are kept so many px farther apart from now on
        def keep_farther(one, other, px)
          [[one, other], [other, one]].each { |pair| @apart[*pair] += px }
          @looked_at = nil
        end

        private

        def reach(lines, ends) = lines.flat_map { |line| line.values_at(*ends) }.max

        def sample(shapes, spacing)
          found =
            shapes.map do |lines|
              lines.flat_map do |x1, y1, x2, y2, _layers|
                parts = [(Math.hypot(x2 - x1, y2 - y1) / spacing).ceil, 1].max
                Array.new(parts) { |k| [x1 + ((x2 - x1) * k / parts), y1 + ((y2 - y1) * k / parts)] }
              end
            end
          @counts = Numo::Int64.cast(found.map(&:size))
          @firsts = @counts.cumsum - @counts
          @x, @y = found.flatten(1).transpose.map { |values| Numo::DFloat.cast(values) }
        end

        def pushes(push, one, other)
          Geometry::Grouped.sum(one, push, @count) - Geometry::Grouped.sum(other, push, @count)
        end

        # Whether contacts still hold: whatever grows, goes away from the corner by as much.
        def near?(at, growth)
          return false unless @looked_at

          resize(growth) unless @growth == growth
          (at - (@looked_at * ((((growth / @looked_growth) - 1) * @free) + 1))).abs.max < @slack / 2
        end

        def look(at, growth)
          @looked_at = at.copy
          @looked_growth = growth
          resize(growth)
          @contacts = nil
          one, other = pairs(at)
          return if one.empty?

          pair = Geometry::Grouped.repeat(@counts[one])
          place = Geometry::Grouped.places(@counts[one], pair) + @firsts[one][pair]
          @contacts = Contacts.new(@fields, @apart[(one * @count) + other], one, other, pair, @x[place], @y[place])
          @contacts.resize(@grown)
          @contacts.keep_near(at, @reach)
        end

        def resize(growth)
          @growth = growth
          @grown = (@free * (growth - 1)) + 1
          @contacts&.resize(@grown)
        end

        # @return [Array(Numo::Int64, Numo::Int64)] shapes whose outline may come near to the other's, both ways round
        def pairs(at)
          one, other = NearPairs.call(at, at + (@boxes * @grown), @reach, 1 - @free)
          [one.concatenate(other), other.concatenate(one)]
        end

        # How far shapes that may move lie off the sheet, each 2 x n: to the left and above, to the right and below.
        def off_sheet(at)
          [-at, at + (@boxes * @grown) - @size].map { |off| Numo::DFloat.maximum(off, 0) * @free }
        end
      end
    end
  end
end
