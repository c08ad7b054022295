# frozen_string_literal: true

module SheetTrace
  module Flatten
    class RoundSpot
      # Where the third corner of a triangle comes to lie when two of its corners lie somewhere already, its shape kept.
      module Hinged
        # @param places [Array<Array(Float, Float, Float)>] of the corners from, to and third, as the triangle runs
        # @param from [Array(Float, Float)] where it lies; to [Array(Float, Float)]
        # @return [Array(Float, Float)]
        def self.call(places, from, to)
          along = Geometry::Triple.minus(places[1], places[0])
          side = Geometry::Triple.minus(places[2], places[0])
          square = [Geometry::Triple.dot(along, along), Float::MIN].max
          share = Geometry::Triple.dot(along, side) / square
          height = Math.sqrt([(Geometry::Triple.dot(side, side) / square) - (share * share), 0.0].max)
          x = to[0] - from[0]
          y = to[1] - from[1]
          [from[0] + (share * x) - (height * y), from[1] + (share * y) + (height * x)]
        end
      end
    end
  end
end
