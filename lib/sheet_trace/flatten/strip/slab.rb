# frozen_string_literal: true

module SheetTrace
  module Flatten
    class Strip
      # The surface beside one segment of a line, unfolded from the segment's triangle: x along the segment from its
      # start, y to its left.
      class Slab
        Triple = Geometry::Triple
        private_constant :Triple

        # @return [Float] of the segment
        attr_reader :length
        # @return [LevelLine::Segment]
        attr_reader :segment

        # @param surface [Mesh::Welded]
        # @param segment [LevelLine::Segment]; length [Float]
        def initialize(surface, segment, length)
          @surface = surface
          @segment = segment
          @length = length
          @own = own_corners
        end

        # @param other [Slab] of the next segment
        # @return [Float] by how much the line turns to the left there, rad; 0 where they have no edge in common
        def turn_to(other)
          corners = @own
          unless other.segment.triangle == segment.triangle
            half =
              Array
                .new(3) { |k| (3 * segment.triangle) + k }
                .find do |own|
                  over = @surface.across[own]
                  over && over / 3 == other.segment.triangle
                end
            return 0.0 unless half

            corners = beyond(half, corners)
          end
          from, to = [other.segment.from, other.segment.to].map { |shares| blend(corners, shares) }
          Math.atan2(to[1] - from[1], to[0] - from[0])
        end

        # @param half [Float] width to either side
        # @param leans [Array(Float, Float)] tangents of the angles by which its ends lean, at its start and its end
        # @param overlap [Float]; most [Integer] triangles
        # @return [Array<Array(Integer, Array)>] triangle, and of three corners: shares, x and y
        def pieces(half, leans, overlap, most)
          sides = sides(half, leans, overlap)
          seen = { segment.triangle => true }
          list = [[segment.triangle, @own]]
          list.each do |triangle, corners|
            break if list.size > most

            3.times do |k|
              over = @surface.across[(3 * triangle) + k]
              next if over.nil? || seen[over / 3] || !meets?(corners[k], corners[(k + 1) % 3], sides)

              seen[over / 3] = true
              list << [over / 3, beyond((3 * triangle) + k, corners)]
            end
          end
          list.flat_map { |triangle, corners| clipped(corners, sides).map { |own| [triangle, own] } }
        end

        private

        # The triangle in its plane, seen from outside, the segment on the x axis.
        def own_corners
          places = @surface.corners(segment.triangle)
          from, to = [segment.from, segment.to].map { |shares| Triple.blend(places, shares) }
          right = Triple.unit(Triple.minus(to, from))
          left = Triple.cross(@surface.normal(segment.triangle), right)
          places.map do |place|
            Triple.minus(place, from).then { |own| [Triple.dot(own, right), Triple.dot(own, left)] }
          end
        end

        # @return [Array<Array(Float, Float)>] corners of the triangle beyond a half-edge, in its own order
        def beyond(half, corners)
          over = @surface.across[half]
          from, to = corners.values_at((half + 1) % 3, half % 3)
          laid = BesideEdge.call(over, from, to) { |own| @surface.places[@surface.vertices[own]] }
          laid.sort_by(&:first).map(&:last)
        end

        def blend(corners, shares)
          Array.new(2) { |axis| corners.each_index.sum { |i| corners[i][axis] * shares[i] } }
        end

        # Lines that bound the slab: a x + b y + c is 0 and more inside.
        def sides(half, (first, last), overlap)
          [[1.0, -first, overlap], [-1.0, -last, length + overlap], [0.0, 1.0, half], [0.0, -1.0, half]]
        end

        # Whether some of an edge lies inside; by its ends and where it is cut (Liang, Barsky).
        def meets?(from, to, sides)
          low = 0.0
          high = 1.0
          sides.each do |a, b, c|
            start, stop = [from, to].map { |x, y| (a * x) + (b * y) + c }
            return false if start.negative? && stop.negative?
            next if start >= 0 && stop >= 0

            share = start / (start - stop)
            start.negative? ? low = [low, share].max : high = [high, share].min
          end
          low <= high
        end

        # @return [Array<Array>] triangles of the part inside: of each corner shares, x and y
        def clipped(corners, sides)
          polygon = corners.each_with_index.map { |(x, y), k| [Array.new(3) { |i| i == k ? 1.0 : 0.0 }, x, y] }
          polygon = sides.reduce(polygon) { |own, side| cut(own, side) }
          (1...([polygon.size - 1, 1].max)).map { |i| [polygon[0], polygon[i], polygon[i + 1]] }
        end

        def cut(polygon, (a, b, c))
          off = polygon.map { |_, x, y| (a * x) + (b * y) + c }
          polygon.each_index.flat_map do |i|
            after = (i + 1) % polygon.size
            kept = off[i] >= 0 ? [polygon[i]] : []
            next kept if (off[i] >= 0) == (off[after] >= 0)

            kept << between(polygon[i], polygon[after], off[i] / (off[i] - off[after]))
          end
        end

        def between(from, to, share)
          shares = from[0].zip(to[0]).map { |p, q| p + (share * (q - p)) }
          [shares, from[1] + (share * (to[1] - from[1])), from[2] + (share * (to[2] - from[2]))]
        end
      end
    end
  end
end
