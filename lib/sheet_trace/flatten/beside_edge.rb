# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Lays the triangle beyond an edge that lies somewhere already, its shape kept.
    module BesideEdge
      # @param over [Integer] the triangle's half-edge along the edge
      # @param from [Array(Float, Float)] where that starts; to [Array(Float, Float)] where it stops
      # @yieldparam half [Integer] half-edge of the triangle
      # @yieldreturn [Array(Float, Float, Float)] the place in space that it starts at
      # @return [Array<Array(Integer, Array(Float, Float))>] the triangle's half-edges, and where they start
      def self.call(over, from, to, &)
        halves = [over, Mesh::Welded.next(over), Mesh::Welded.next(Mesh::Welded.next(over))]
        halves.zip([from, to, third(halves.map(&), from, to)])
      end

      # @param places [Array<Array(Float, Float, Float)>] of the corners from, to and third, as the triangle runs
      # @param from [Array(Float, Float)] where it lies; to [Array(Float, Float)]
      # @return [Array(Float, Float)] where the third comes to lie
      def self.third(places, from, to)
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
