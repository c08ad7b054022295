# frozen_string_literal: true

require "pqueue"

module SheetTrace
  module Flatten
    class RoundSpot
      # Lays vertices flat in the order of their distance from the spot: each takes the mean of where the triangles on
      # settled edges, their shapes kept, put it. Triangles that the straight line from the spot passes through count
      # most.
      # Exact wherever the surface can lie flat, however it is cut into triangles.
      class Fan
        # Edges that lie longer or shorter than they are by more have two ways round the surface meeting in them.
        LONGEST = 2.0
        # How much farther apart than its edge is long two places of a vertex are of different ways round.
        APART = 0.5
        # How fast a triangle counts less the farther beside it the line from the spot passes; it never counts nothing.
        BESIDE = 30
        LEAST = 1e-4
        private_constant :LONGEST, :APART, :BESIDE, :LEAST

        # The sum of places by weight, and the weight.
        Sum = Struct.new(:x, :y, :weight)
        private_constant :Sum

        # @param patch [SpotPatch]
        # @param axes [Array] right and up at the spot
        # @param reach [Float]
        # @return [Array<Array(Float, Float), nil>] by vertex
        def self.call(patch, axes, reach) = new(patch, reach).send(:laid, axes)

        def initialize(patch, reach)
          @patch = patch
          @reach = reach
          @around = patch.around
          @vertices = patch.vertices
          @places = Array.new(patch.places.size)
          @sums = {}
          @nearest = {}
          @settled = Array.new(patch.places.size, false)
          @queue = PQueue.new { |a, b| a[0] < b[0] }
        end
        private_class_method :new

        private

        def laid(axes)
          own_triangle(axes)
          until @queue.empty?
            far, nearest = @queue.pop
            next if @settled[nearest]

            settle(nearest)
            break if far > @reach && !@patch.developable?
          end
          @sums.each_key { |vertex| @places[vertex] ||= mean(vertex) }
          @places
        end

        # What lies in the spot's own triangle is where it is.
        def own_triangle(axes)
          rows = @patch.parents.each_index.select { |row| @patch.parents[row] == @patch.triangle }
          rows
            .flat_map { |row| @patch.vertices[3 * row, 3] }
            .uniq
            .each do |vertex|
              from = Geometry::Triple.minus(@patch.places[vertex], @patch.spot)
              place = axes.map { |axis| Geometry::Triple.dot(from, axis) }
              @places[vertex] = place
              @queue.push([Math.hypot(*place), vertex])
            end
        end

        def settle(vertex)
          @settled[vertex] = true
          @places[vertex] ||= mean(vertex)
          @around[vertex].each do |half|
            first = half - (half % 3)
            after = @vertices[first + ((half + 1) % 3)]
            before = @vertices[first + ((half + 2) % 3)]
            lay_beyond(vertex, after, before) if @settled[after] && @places[before].nil?
            lay_beyond(before, vertex, after) if @settled[before] && @places[after].nil?
          end
        end

        def mean(vertex) = @sums[vertex].then { |sum| [sum.x / sum.weight, sum.y / sum.weight] }

        # The vertex c of a triangle whose edge from a to b is settled.
        def lay_beyond(a, b, c)
          places = @patch.places.values_at(a, b, c)
          length = Geometry::Triple.distance(places[0], places[1])
          lies = Math.hypot(@places[b][0] - @places[a][0], @places[b][1] - @places[a][1])
          return if length.zero? || lies > length * LONGEST || lies < length / LONGEST

          add(c, BesideEdge.third(places, *as_long(a, b, length / lies)), @places[a], @places[b], length)
        end

        # @return [Array<Array(Float, Float)>] ends of the edge about its middle, as long as it is
        def as_long(a, b, larger)
          (ax, ay), (bx, by) = @places.values_at(a, b)
          x = (bx - ax) * larger / 2
          y = (by - ay) * larger / 2
          middle = [(ax + bx) / 2, (ay + by) / 2]
          [[middle[0] - x, middle[1] - y], [middle[0] + x, middle[1] + y]]
        end

        def add(vertex, place, from, to, length)
          sum = @sums[vertex]
          if sum
            own = mean(vertex)
            if Math.hypot(place[0] - own[0], place[1] - own[1]) > APART * length
              # Another way round: the nearer one has the vertex.
              return if Math.hypot(*place) >= Math.hypot(*own)

              sum = nil
              @nearest.delete(vertex)
            end
          end
          sum ||= @sums[vertex] = Sum.new(0.0, 0.0, 0.0)
          weight = weight(from, to, place)
          sum.x += weight * place[0]
          sum.y += weight * place[1]
          sum.weight += weight
          far = Math.hypot(*mean(vertex))
          return unless far < @nearest.fetch(vertex, Float::INFINITY)

          @nearest[vertex] = far
          @queue.push([far, vertex])
        end

        # How squarely the line from the spot to a place passes the edge.
        def weight((ax, ay), (bx, by), (px, py))
          first = (px * ay) - (py * ax)
          whole = first - ((px * by) - (py * bx))
          return LEAST if whole.abs < Float::MIN

          beside = (first / whole).then { |share| [-share, share - 1, 0.0].max }
          (1 / ((1 + (BESIDE * beside))**2)) + LEAST
        end
      end
    end
  end
end
