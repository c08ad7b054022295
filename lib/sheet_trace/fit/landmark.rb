# frozen_string_literal: true

module SheetTrace
  module Fit
    # A place of the surface, and the place of the sheet where it must lie. It stays with the surface, wherever its
    # island lies. Immutable.
    #
    # triangle [Integer] of UvMap#triangles; shares [Array(Float, Float, Float)] barycentric; to [Array(Float, Float)]
    # UV
    Landmark =
      Struct.new(:triangle, :shares, :to, keyword_init: true) do
        def initialize(...)
          super
          each(&:freeze)
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)

        # The place of an island that a place of the sheet lies on, or else comes nearest to.
        #
        # @param layout [Layout]; island [Integer]
        # @param at_px [Array(Float, Float)]; to_px [Array(Float, Float)]
        # @return [Landmark]
        # @raise [UvError] if the island has no area there; where: { island: }
        def self.at(layout, island, at_px, to_px)
          rows = layout.uv_map.island_triangles[island]
          places = layout.points_px[layout.uv_map.triangles.points[rows, true].flatten, true].reshape(rows.size, 3, 2)
          best =
            places
              .to_a
              .each_with_index
              .filter_map { |corners, k| nearest(corners, at_px)&.then { |shares, off| [off, k, shares] } }
              .min_by(&:first)
          unless best
            raise UvError.new(
                    "the island has no area on the sheet to set a landmark on; lay it flat first",
                    where: {
                      island: island
                    }
                  )
          end

          new(triangle: rows[best[1]], shares: best[2], to: layout.sheet.px_to_uv.at(*to_px))
        end

        # @return [Integer]
        def island(uv_map) = uv_map.triangles.islands[triangle]

        # @param places [Numo::DFloat] P x 2 of the map's points
        # @return [Array(Float, Float)]
        def at(uv_map, places)
          corners = places[uv_map.triangles.points[triangle, true], true].to_a
          [0, 1].map { |axis| corners.zip(shares).sum { |corner, share| corner[axis] * share } }
        end

        # @return [Array(Array(Float, Float, Float), Float), nil] shares of the place of a triangle that is nearest,
        #   and how far that is
        def self.nearest(corners, (x, y))
          (ax, ay), (bx, by), (cx, cy) = corners
          area = ((bx - ax) * (cy - ay)) - ((by - ay) * (cx - ax))
          return if area.abs < 1e-12

          b = (((x - ax) * (cy - ay)) - ((y - ay) * (cx - ax))) / area
          c = (((bx - ax) * (y - ay)) - ((by - ay) * (x - ax))) / area
          shares = [1 - b - c, b, c]
          return shares, 0.0 if shares.min >= 0

          [0, 1, 2].map { |i| on_side(corners, i, x, y) }.min_by(&:last)
        end

        def self.on_side(corners, from, x, y)
          to = (from + 1) % 3
          (ax, ay), (bx, by) = corners.values_at(from, to)
          length = ((bx - ax)**2) + ((by - ay)**2)
          share = length.positive? ? ((((x - ax) * (bx - ax)) + ((y - ay) * (by - ay))) / length).clamp(0.0, 1.0) : 0.0
          shares = [0.0, 0.0, 0.0]
          shares[from] = 1 - share
          shares[to] = share
          [shares, Math.hypot(x - ax - ((bx - ax) * share), y - ay - ((by - ay) * share))]
        end
        private_class_method :nearest, :on_side
      end
  end
end
