# frozen_string_literal: true

module SheetTrace
  module Flatten
    class RoundSpot
      # A patch as it is seen straight at the spot: true there, foreshortened where it leans away.
      module SquareOn
        # @param patch [SpotPatch]
        # @param axes [Array] right and up at the spot; normal [Array(Float, Float, Float)]
        # @param depth [Float] how far before and behind the spot
        # @return [Array<Array(Float, Float), nil>] 3 n
        def self.call(patch, axes, normal, depth)
          seen =
            patch.places.map do |place|
              from = Geometry::Triple.minus(place, patch.spot)
              axes.map { |axis| Geometry::Triple.dot(from, axis) } if Geometry::Triple.dot(from, normal).abs <= depth
            end
          seen.values_at(*patch.vertices)
        end
      end
    end
  end
end
