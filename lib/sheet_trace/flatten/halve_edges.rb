# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Parts a triangle at the middles of some of its edges.
    module HalveEdges
      # @param corners [Array<Object>] three
      # @param middles [Array<Object, nil>] of the edges from each corner to the next; nil where one stays whole
      # @return [Array<Array<Object>>] triangles, the same way round
      def self.call(corners, middles)
        case middles.count(&:itself)
        when 0
          [corners]
        when 1
          a, b, c = corners.rotate(middles.index(&:itself))
          middle = middles.compact.first
          [[a, middle, c], [middle, b, c]]
        when 2
          whole = middles.index(nil)
          a, b, c = corners.rotate(whole)
          _, beyond_b, beyond_c = middles.rotate(whole)
          [[c, beyond_c, beyond_b], [a, b, beyond_b], [a, beyond_b, beyond_c]]
        else
          [*corners.each_index.map { |k| [corners[k], middles[k], middles[k - 1]] }, middles]
        end
      end
    end
  end
end
