# frozen_string_literal: true

module SheetTrace
  class Layout
    # Moves islands that lie on others, too near them or off the sheet to free places; the others stay where they are.
    module MoveToFreePlaces
      # @param layout [Layout]
      # @param islands [Array<Integer>] that may be moved
      # @param gutter_px [Numeric]
      # @param keep_free [Boolean] islands with enough room about them stay too
      # @param shrink [Boolean] whether the whole layout may be made smaller
      # @return [Layout] smaller as a whole where there was no room
      # @raise [LayoutError] as MakeRoom says
      def self.call(layout, islands, gutter_px:, keep_free: true, shrink: true)
        moving = keep_free ? crowded(layout, islands, gutter_px) : islands
        return layout if moving.empty?

        boxes =
          layout.boxes_px[moving, true].to_a.map { |left, top, right, bottom| [right - left, bottom - top, left, top] }
        cleared, places, scale = MakeRoom.call(layout, boxes, without: moving, gutter_px: gutter_px, shrink: shrink)
        # What was far enough from each other is nearer when all is smaller.
        return call(layout, islands, gutter_px: gutter_px, keep_free: false) if scale < 1 && moving.size < islands.size

        moving
          .zip(places)
          .reduce(cleared) do |so_far, (island, (x, y))|
            left, top = so_far.boxes_px[island, 0..1].to_a
            so_far.place([island], Geometry::Affine.move(x - left, y - top))
          end
      end

      # The same, but nothing else is moved or made smaller: what has no room goes beside the sheet.
      #
      # @return [Layout]
      def self.or_beside(layout, islands, gutter_px:)
        call(layout, islands, gutter_px: gutter_px, shrink: false)
      rescue LayoutError
        left = layout.sheet.width_px + gutter_px
        crowded(layout, islands, gutter_px).reduce(layout) do |so_far, island|
          x, y, right, = so_far.boxes_px[island, true].to_a
          moved = so_far.place([island], Geometry::Affine.move(left - x, [-y, 0].max))
          left += right - x + gutter_px
          moved
        end
      end

      # One after the other: those that stay are in the way of those that follow.
      def self.crowded(layout, islands, gutter_px)
        islands.each_with_object([]) do |island, moving|
          room = FindRoom.new(layout, without: moving + [island], gutter_px: gutter_px)
          moving << island unless room.free?(*layout.boxes_px[island, true].to_a)
        end
      end
      private_class_method :crowded
    end
  end
end
