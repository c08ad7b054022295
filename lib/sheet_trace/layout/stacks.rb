# frozen_string_literal: true

module SheetTrace
  class Layout
    # Islands that lie on each other to the point, and so are moved as one.
    module Stacks
      NEAR_PX = 0.02
      private_constant :NEAR_PX

      # @param layout [Layout]
      # @return [Array<Array<Integer>>] each island in one list, lists by their first island
      def self.call(layout)
        by_box =
          layout
            .boxes_px
            .to_a
            .each_with_index
            .group_by { |box, _island| box.map { |px| (px / (4 * NEAR_PX)).round } }
            .values
            .map { |group| group.map(&:last) }
        by_box.flat_map { |islands| islands.size == 1 ? [islands] : parted(layout, islands) }.sort_by(&:first)
      end

      # @param islands [Array<Integer>]
      # @return [Array<Array<Integer>>] each of them with all that lie on it, so that twins go along
      def self.of(layout, islands) = call(layout).select { |stack| (stack & islands).any? }

      # Twins that lie on an island take its shape after it.
      #
      # @param layout [Layout]
      # @param points_uv [Numo::DFloat] P x 2, where points are to lie
      # @return [Numo::DFloat] P x 2, with islands of which nothing was moved on those that they lay on
      def self.follow(layout, points_uv)
        moved = points_uv.ne(layout.points_uv).any?(axis: 1)
        stacks = moved.any? ? call(layout).select { |stack| stack.size > 1 } : []
        stacks.each_with_object(points_uv.copy) do |stack, followed|
          leaders, others = stack.partition { |island| moved[layout.uv_map.island_points[island]].any? }
          others.each { |island| copy(layout, leaders.first, island, followed) } if leaders.any?
        end
      end

      def self.copy(layout, from, to, points_uv)
        keys = rounded(layout, from).zip(layout.uv_map.island_points[from].to_a).to_h
        rows = rounded(layout, to).map { |place| keys[place] }
        points_uv[layout.uv_map.island_points[to], true] = points_uv[rows, true] if rows.all?
      end

      def self.rounded(layout, island) =
        (layout.points_px[layout.uv_map.island_points[island], true] / (4 * NEAR_PX)).round.to_a

      def self.parted(layout, islands)
        islands.group_by { |island| rounded(layout, island).sort }.values
      end
      private_class_method :copy, :rounded, :parted
    end
  end
end
