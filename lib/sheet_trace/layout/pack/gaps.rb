# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # How far outlines are apart that are near each other, by all their lines. That one shape lies wholly within
      # another is not looked for.
      module Gaps
        LINES_AT_A_TIME = 2000
        private_constant :LINES_AT_A_TIME

        # @param outlines [Array<Numo::DFloat>] of n shapes, each m x 4: both ends of lines, px
        # @param most [Float] px; larger gaps are not looked at
        # @param held [Numo::DFloat] n, 1 of those that are not compared to each other, else 0
        # @return [Hash{Array(Integer, Integer) => Float}] of each two shapes that are less apart, how far, px
        def self.call(outlines, most, held: Numo::DFloat.zeros(outlines.size))
          lines = outlines.reduce { |all, own| all.concatenate(own) }
          low, high = boxes(outlines)
          one, other = NearPairs.call(low, high, most, held)
          return {} if one.empty?

          counts = Numo::Int64.cast(outlines.map { |own| own.shape[0] })
          mine, theirs =
            [[one, other], [other, one]].map do |own, facing|
              near(lines, counts, own, low[true, facing] - most, high[true, facing] + most)
            end
          least(lines, mine, theirs, one.size, most).transform_keys { |pair| [one[pair], other[pair]] }
        end

        def self.boxes(outlines)
          %i[min max].map do |end_of|
            Numo::DFloat.cast(
              [[0, 2], [1, 3]].map { |ends| outlines.map { |own| own[true, ends].public_send(end_of) } }
            )
          end
        end

        # Lines of a shape that meet a box, by pair, rising.
        #
        # @return [Array(Numo::Int64, Numo::Int64)] pairs, and lines
        def self.near(lines, counts, own, low, high)
          pair = Geometry::Grouped.repeat(counts[own])
          line = Geometry::Grouped.places(counts[own], pair) + (counts.cumsum - counts)[own][pair]
          meet =
            [[0, 2], [1, 3]].each_with_index.map do |(from, to), axis|
              a = lines[line, from]
              b = lines[line, to]
              Numo::DFloat.minimum(a, b).lt(high[axis, pair]) & Numo::DFloat.maximum(a, b).gt(low[axis, pair])
            end
          kept = meet.reduce(:&).where
          [pair[kept], line[kept]]
        end

        # @return [Hash{Integer => Float}] by pair
        def self.least(lines, (pair, line), (their_pair, their_line), pairs, most)
          return {} if pair.empty? || their_pair.empty?

          counts = their_pair.bincount(minlength: pairs)
          firsts = counts.cumsum - counts
          (0...pair.size)
            .step(LINES_AT_A_TIME)
            .each_with_object({}) do |from, found|
              some = from...[from + LINES_AT_A_TIME, pair.size].min
              facing = counts[pair[some]]
              at = Geometry::Grouped.repeat(facing)
              next if at.empty?

              their = Geometry::Grouped.places(facing, at) + firsts[pair[some]][at]
              gaps = Geometry::OutlineGap.of_pairs(lines[line[some][at], true], lines[their_line[their], true])
              near = gaps.lt(most).where
              next if near.empty?

              pair[some][at][near].to_a.zip(gaps[near].to_a) { |own, gap| found[own] = [found[own] || gap, gap].min }
            end
        end
        private_class_method :boxes, :near, :least
      end
    end
  end
end
