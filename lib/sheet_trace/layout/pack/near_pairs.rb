# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # Boxes of shapes that come near to each other, all against all, but those that are both held.
      module NearPairs
        # @param low, high [Numo::DFloat] 2 x n: left and top, right and bottom of each box, px
        # @param gap_px [Float] boxes less apart than this, in both directions, are near
        # @param held [Numo::DFloat] n, 1 of those that stay where they are, else 0
        # @return [Array(Numo::Int64, Numo::Int64)] each pair once, the lower first. O(n^2)
        def self.call(low, high, gap_px, held)
          count = low.shape[1]
          meet =
            [0, 1].map do |axis|
              before = (high[axis, true] + gap_px).expand_dims(1).gt(low[axis, true].expand_dims(0))
              before & before.transpose
            end
          both = Numo::Int64.cast(meet.reduce(:&).where)
          one = both / count
          other = both % count
          return one, other if one.empty?

          wanted = (one.lt(other) & (held[one] * held[other]).eq(0)).where
          [one[wanted], other[wanted]]
        end
      end
    end
  end
end
