# frozen_string_literal: true

module SheetTrace
  module Fit
    # Where the next landmark of an island tells most: the corner of its outline that is farthest from those it has,
    # sharper corners before
    # blunt ones.
    module SuggestLandmark
      SHARP_RAD = 0.35
      private_constant :SHARP_RAD

      # @param layout [Layout]; island [Integer]
      # @param used [Array<Array(Float, Float)>] px where landmarks are now
      # @return [Array(Float, Float), nil] px; nil where the island has no outline
      def self.call(layout, island, used)
        corners = corners(layout, island)
        return if corners.empty?

        from = used.empty? ? [layout.centre_px([island])] : used
        sharp = corners.select { |_place, turn| turn > SHARP_RAD }
        (sharp.empty? ? corners : sharp)
          .map(&:first)
          .max_by { |x, y| from.map { |ux, uy| Math.hypot(x - ux, y - uy) }.min }
      end

      # @return [Array<Array(Array(Float, Float), Float)>] px of each point of the outline, and how much it turns there
      def self.corners(layout, island)
        edges = layout.uv_map.edges
        ends = edges.points[(edges.outline & edges.islands.eq(island)).where, true].to_a
        beside =
          ends.each_with_object(Hash.new { |all, point| all[point] = [] }) do |(a, b), all|
            all[a] << b
            all[b] << a
          end
        beside.filter_map do |point, (before, after, *)|
          next unless after

          place, start, stop = [point, before, after].map { |p| layout.points_px[p, true].to_a }
          angles = [start, stop].map { |x, y| Math.atan2(y - place[1], x - place[0]) }
          [place, Math::PI - (angles.reduce(:-).abs.then { |turn| [turn, (2 * Math::PI) - turn].min })]
        end
      end
      private_class_method :corners
    end
  end
end
