# frozen_string_literal: true

module SheetTrace
  module Flatten
    class Strip
      # By how much a line turns from one segment to the next, on either side of it: at a corner of the model, where the
      # surface can't lie flat, that is not the same.
      module Turns
        Triple = Geometry::Triple
        # A share of a corner above which a place is that corner; triangles round one at the most.
        AT_CORNER = 1 - 1e-7
        ROUND = 256
        # Share of its sides within which a place lies on a triangle; parts of a whole turn within which ways are one.
        ON = 1e-6
        private_constant :Triple, :AT_CORNER, :ROUND, :ON

        # @param surface [Mesh::Welded]
        # @param slab [Slab]; after [Slab] of the next segment, which starts where the first stops
        # @return [Array(Float, Float)] on the left and on the right of the line, rad, positive to the left; 0 where no
        #   triangles lead from the one to the other
        def self.call(surface, slab, after)
          if slab.segment.to.max < AT_CORNER
            flat = over_edge(slab, after)
            return flat, flat
          end

          target = Triple.blend(surface.corners(after.segment.triangle), after.segment.to)
          left, right = [1, -1].map { |side| round_corner(surface, slab, target, side) }
          [left || right || 0.0, right || left || 0.0]
        end

        def self.over_edge(slab, after)
          corners = slab.round_end.find { |triangle, _own| triangle == after.segment.triangle }&.last or return 0.0
          from, to = [after.segment.from, after.segment.to].map { |shares| blend(corners, shares) }
          Math.atan2(to[1] - from[1], to[0] - from[0])
        end

        # From triangle to triangle round the corner, beginning at the segment.
        #
        # @param side [Integer] 1: by its left, -1: by its right
        # @return [Float, nil] nil where the surface ends before the target
        def self.round_corner(surface, slab, target, side)
          triangle = slab.segment.triangle
          corners = slab.corners
          corner = surface.vertices[(3 * triangle) + slab.segment.to.each_index.max_by { |k| slab.segment.to[k] }]
          half, behind = first_edge(surface, slab, corner, side)
          ROUND.times do
            shares = behind ? nil : on(surface, triangle, target)
            return blend(corners, shares).then { |x, y| Math.atan2(y, x - slab.length) } if shares

            over = surface.across[half]
            break unless over

            corners = slab.beyond(half, corners)
            triangle = over / 3
            half = edges_at(surface, triangle, corner).find { |own| own != over }
            behind = false
          end
          nil
        end

        # The edge of the segment's triangle that leads on, and whether the triangle lies on the other side, behind it.
        def self.first_edge(surface, slab, corner, side)
          far =
            edges_at(surface, slab.segment.triangle, corner).to_h do |half|
              [half, far(slab, surface, half, corner, side)]
            end
          (near, least), (other, most) = far.minmax_by(&:last)
          return near, false if least > ON # the segment lies within the triangle

          most > Math::PI ? [near, true] : [other, false]
        end

        def self.edges_at(surface, triangle, corner)
          Array
            .new(3) { |k| (3 * triangle) + k }
            .select { |half| [half, Mesh::Welded.next(half)].any? { |own| surface.vertices[own] == corner } }
        end

        # How far an edge that starts at the corner is turned from the way back along the segment.
        def self.far(slab, surface, half, corner, side)
          x, y = slab.corners[(surface.vertices[half] == corner ? half + 1 : half) % 3]
          angle = (Math::PI - (side * Math.atan2(y, x - slab.length))) % (2 * Math::PI)
          (2 * Math::PI) - angle < ON ? 0.0 : angle
        end

        # @return [Array(Float, Float, Float), nil] shares of a triangle's corners at a place that lies on it
        def self.on(surface, triangle, place)
          corners = surface.corners(triangle)
          shares = Geometry::NearestOnTriangle.call(corners, place)
          size = Triple.distance(corners[0], corners[1]) + Triple.distance(corners[0], corners[2])
          shares if Triple.distance(Triple.blend(corners, shares), place) <= ON * size
        end

        def self.blend(corners, shares)
          Array.new(2) { |axis| corners.each_index.sum { |i| corners[i][axis] * shares[i] } }
        end
        private_class_method :over_edge, :round_corner, :first_edge, :edges_at, :far, :on, :blend
      end
    end
  end
end
