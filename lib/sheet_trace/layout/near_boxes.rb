# frozen_string_literal: true

module SheetTrace
  class Layout
    # Finds islands whose boxes come near to another's: the only ones that can touch, or be too close. A line sweeps
    # over the sheet from left to right and keeps the boxes that it is in. O(n x boxes side by side)
    module NearBoxes
      # Where there are more islands, all count as near: looking at each texel is quicker then.
      MOST = 20_000
      private_constant :MOST

      # @param boxes [Numo::DFloat] n x 4: left, top, right, bottom, px
      # @param gap_px [Float] boxes less apart than this, in both directions, are near
      # @return [Array<Integer>] rising; boxes that another one is near to
      def self.call(boxes, gap_px)
        count = boxes.shape[0]
        return (0...count).to_a if count > MOST

        near = Array.new(count, false)
        rows = boxes.to_a
        kept = []
        count
          .times
          .sort_by { |box| rows[box][0] }
          .each do |box|
            left, top, _right, bottom = rows[box]
            kept.reject! { |other| rows[other][2] + gap_px <= left }
            kept.each do |other|
              next if near[other] && near[box]

              near[other] = near[box] = true if rows[other][1] < bottom + gap_px && top < rows[other][3] + gap_px
            end
            kept << box
          end
        near.each_index.select { |box| near[box] }
      end
    end
  end
end
