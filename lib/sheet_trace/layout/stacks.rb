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
        by_box = layout.boxes_px.to_a.each_with_index.group_by { |box, _island| box.map { |px| (px / (4 * NEAR_PX)).round } }.values.map { |group| group.map(&:last) }
        by_box.flat_map { |islands| islands.size == 1 ? [islands] : parted(layout, islands) }.sort_by(&:first)
      end

      # @param islands [Array<Integer>]
      # @return [Array<Array<Integer>>] each of them with all that lie on it, so that twins go along
      def self.of(layout, islands) = call(layout).select { |stack| (stack & islands).any? }

      def self.parted(layout, islands)
        islands.group_by do |island|
          points = layout.points_px[layout.uv_map.island_points[island], true]
          (points / (4 * NEAR_PX)).round.to_a.sort
        end.values
      end
      private_class_method :parted
    end
  end
end
