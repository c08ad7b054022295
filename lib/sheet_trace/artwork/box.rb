# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A rectangle of whole texels of a sheet. Immutable.
    #
    # left_px, top_px, width_px, height_px [Integer]
    Box =
      Struct.new(:left_px, :top_px, :width_px, :height_px) do
        # @param size [Layout::Sheet]
        # @return [Box] the whole sheet
        def self.whole(size) = new(0, 0, size.width_px, size.height_px)

        # @param boxes [Array<Box>]
        # @return [Array<Box>] that hold the same texels: where two cost more than one round both, that one
        def self.joined(boxes)
          boxes.each_with_object([]) do |box, joined|
            while (other = joined.find { |known| known.with(box).area <= known.area + box.area })
              joined.delete(other)
              box = other.with(box)
            end
            joined << box
          end
        end

        def initialize(...)
          super
          freeze
        end

        def right_px = left_px + width_px
        def bottom_px = top_px + height_px
        def area = width_px * height_px
        def empty? = width_px <= 0 || height_px <= 0

        # @param px [Integer]
        # @return [Box] by as much larger on all sides
        def grown(px) = Box.new(left_px - px, top_px - px, width_px + (2 * px), height_px + (2 * px))

        # @param other [Box]
        # @return [Box] what both have; empty? where there is nothing
        def within(other)
          left = [left_px, other.left_px].max
          top = [top_px, other.top_px].max
          Box.new(left, top, [right_px, other.right_px].min - left, [bottom_px, other.bottom_px].min - top)
        end

        # @return [Array(Box, Box)] its upper and its lower half
        def halves
          upper = height_px / 2
          [Box.new(left_px, top_px, width_px, upper), Box.new(left_px, top_px + upper, width_px, height_px - upper)]
        end

        # @param other [Box]
        # @return [Box] round both
        def with(other)
          left = [left_px, other.left_px].min
          top = [top_px, other.top_px].min
          Box.new(left, top, [right_px, other.right_px].max - left, [bottom_px, other.bottom_px].max - top)
        end

        # @param other [Box] that it lies in
        # @return [Box] where it lies there
        def seen_from(other) = Box.new(left_px - other.left_px, top_px - other.top_px, width_px, height_px)

        # @return [Range, Range] rows and columns of an array
        def ranges = [top_px...bottom_px, left_px...right_px]
      end
  end
end
