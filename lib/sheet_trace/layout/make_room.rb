# frozen_string_literal: true

module SheetTrace
  class Layout
    # Places boxes on a layout without covering what is there. Where they don't fit, the whole layout and the boxes are
    # made smaller together, so that proportions and order stay.
    module MakeRoom
      STEP = 0.93
      MOST_STEPS = 80
      private_constant :STEP, :MOST_STEPS

      # @param layout [Layout]
      # @param boxes [Array<Array(Float, Float, Float, Float)>] width and height, and where its left upper corner
      #   would best be, px
      # @param without [Array<Integer>] islands that take no room, as they are what is placed
      # @param gutter_px [Numeric]
      # @param shrink [Boolean] whether all may be made smaller
      # @return [Array(Layout, Array<Array(Float, Float)>, Float)] the layout, the places, and by how much all was
      #   scaled
      # @raise [LayoutError] where: { boxes: } if there is no room even so
      def self.call(layout, boxes, without:, gutter_px:, shrink: true)
        order = boxes.each_index.sort_by { |i| -boxes[i][0] * boxes[i][1] }
        (shrink ? MOST_STEPS : 1).times do |step|
          scale = STEP**step
          smaller =
            (
              if step.zero?
                layout
              else
                layout.place((0...layout.uv_map.island_count).to_a, Geometry::Affine.scale(scale, scale))
              end
            )
          places = places(smaller, boxes, order, without, gutter_px, scale)
          return smaller, places, scale if places
        end
        raise LayoutError.new(
                "there is no room for #{boxes.size} islands on #{layout.sheet}; take a larger sheet or a smaller " \
                  "gutter",
                where: {
                  boxes: boxes.size
                }
              )
      end

      def self.places(layout, boxes, order, without, gutter_px, scale)
        room = FindRoom.new(layout, without: without, gutter_px: gutter_px)
        found = Array.new(boxes.size)
        order.each do |i|
          width, height, x, y = boxes[i].map { |px| px * scale }
          found[i] = room.call(width, height, near: [x, y]) or return nil
        end
        found
      end
      private_class_method :places
    end
  end
end
