# frozen_string_literal: true

require "pqueue"

module SheetTrace
  module Flatten
    class RoundSpot
      # Faces laid down one by one round the spot, the nearest first, each with its shape.
      class Creased
        # @param patch [SpotPatch]
        # @param axes [Array] right and up at the spot
        # @param reach [Float]
        # @return [Array<Array(Float, Float), nil>] 3 n
        def self.call(patch, axes, reach) = new(patch, reach).send(:laid, axes)

        def initialize(patch, reach)
          @patch = patch
          @reach = reach
          @across = patch.across
          @places = Array.new(patch.vertices.size)
          @queue = PQueue.new { |a, b| a[0] < b[0] }
        end
        private_class_method :new

        private

        def laid(axes)
          @patch.around[@patch.seed].each { |half| lay(half / 3, own_places(half / 3, axes)) }
          until @queue.empty?
            _, half = @queue.pop
            other = @across[half]
            lay(other / 3, beside(half, other)) unless @places[other]
          end
          @places
        end

        def own_places(row, axes)
          @patch.vertices[3 * row, 3].map do |vertex|
            from = Geometry::Triple.minus(@patch.places[vertex], @patch.spot)
            axes.map { |axis| Geometry::Triple.dot(from, axis) }
          end
        end

        def lay(row, places)
          @places[3 * row, 3] = places
          3.times { |k| offer((3 * row) + k) }
        end

        # What lies beyond an edge is laid next, if the edge is near enough.
        def offer(half)
          other = @across[half]
          return if other.nil? || @places[other]

          a, b = @places.values_at(half, Mesh::Welded.next(half))
          far = Geometry::Triple.distance_to_line([0.0, 0.0, 0.0], [*a, 0.0], [*b, 0.0])
          @queue.push([Math.hypot((a[0] + b[0]) / 2, (a[1] + b[1]) / 2), half]) if far <= @reach
        end

        # @return [Array<Array(Float, Float)>] of the other triangle's corners, in its own order
        def beside(half, other)
          from, to = @places.values_at(Mesh::Welded.next(half), half)
          laid = BesideEdge.call(other, from, to) { |own| @patch.places[@patch.vertices[own]] }
          laid.sort_by(&:first).map(&:last)
        end
      end
    end
  end
end
