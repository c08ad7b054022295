# frozen_string_literal: true

module SheetTrace
  module Flatten
    class Strip
      # The surface beside one segment of a line, unfolded from the segment's triangle: x along the segment from its
      # start, y to its left.
      class Slab
        Triple = Geometry::Triple
        # Triangles round the end of a segment at the most; how much longer than an edge the way over a place on it is.
        ROUND = 64
        ON_EDGE = 1e-6
        private_constant :Triple, :ROUND, :ON_EDGE

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
          @corners = own_corners
        end

        # @return [Array<Array(Float, Float)>] corners of the segment's triangle
        attr_reader :corners

        # @return [Array<Array(Integer, Array)>] triangles that the segment's end lies on, and their corners, the nearer
        #   first
        def round_end
          list = [[segment.triangle, corners]]
          list.each do |triangle, own|
            break if list.size > ROUND

            3.times do |k|
              over = @surface.across[(3 * triangle) + k]
              next if over.nil? || list.any? { |known, _| known == over / 3 } || !at_end?(own[k], own[(k + 1) % 3])

              list << [over / 3, beyond((3 * triangle) + k, own)]
            end
          end
        end

        # @param half [Integer] half-edge of a triangle; corners [Array<Array(Float, Float)>] of that
        # @return [Array<Array(Float, Float)>] corners of the triangle beyond it, in its own order
        def beyond(half, corners)
          over = @surface.across[half]
          from, to = corners.values_at((half + 1) % 3, half % 3)
          laid = BesideEdge.call(over, from, to) { |own| @surface.places[@surface.vertices[own]] }
          laid.sort_by(&:first).map(&:last)
        end

        # @param across [Range] how far beside the segment, to its left
        # @param leans [Array(Float, Float)] tangents of the angles by which its ends lean, at its start and its end
        # @param overlap [Float]; most [Integer] triangles
        # @return [Array<Array(Integer, Array)>] triangle, and of three corners: shares, x and y
        def pieces(across, leans, overlap, most)
          sides = sides(across, leans, overlap)
          seen = { segment.triangle => true }
          list = [[segment.triangle, @corners]]
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

        def at_end?((ax, ay), (bx, by))
          Math.hypot(ax - length, ay) + Math.hypot(bx - length, by) <= Math.hypot(bx - ax, by - ay) * (1 + ON_EDGE)
        end

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

        # Lines that bound the slab: a x + b y + c is 0 and more inside.
        def sides(across, (first, last), overlap)
          [[1.0, -first, overlap], [-1.0, -last, length + overlap], [0.0, 1.0, -across.min], [0.0, -1.0, across.max]]
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
