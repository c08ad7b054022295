# frozen_string_literal: true

module SheetTrace
  module Trace
    # Whether the lines of a template were left in a picture that was painted over it: along them the picture differs
    # from what is on both sides.
    module GuideLeft
      ASIDE_PX = 4 # at 1024 px: so far beside the lines is looked
      DIFFERS = 60 # of the three colours together, 0 to 765
      LEFT = 0.4 # of the lines
      MOST = 20_000 # px that are looked at
      private_constant :ASIDE_PX, :DIFFERS, :LEFT, :MOST

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param layout [Layout] that it was painted on
      # @return [Boolean]
      def self.call(image, layout)
        size = Layout::Sheet.of_template(width_px: image.width, height_px: image.height)
        lines = Template.call(layout, size: size, hard: true).to_image(hard: true)
        pixels = Numo::UInt8.from_binary(lines[3].write_to_memory).gt(0).where
        return false if pixels.empty?

        share_that_stands_out(image, pixels[(0...pixels.size).step([pixels.size / MOST, 1].max).to_a]) > LEFT
      end

      def self.share_that_stands_out(image, pixels)
        colors =
          Numo::Int32.cast(
            Numo::UInt8.from_binary(image.flatten(background: [255, 255, 255]).cast(:uchar).write_to_memory)
          ).reshape(image.width * image.height, 3)
        y = pixels / image.width
        x = pixels - (y * image.width)
        aside = [(ASIDE_PX * [image.width, image.height].max / 1024.0).round, 2].max
        ways =
          [[aside, 0], [0, aside]].map do |right, down|
            [1, -1].map do |side|
                there =
                  ((y + (side * down)).clip(0, image.height - 1) * image.width) +
                    (x + (side * right)).clip(0, image.width - 1)
                (colors[pixels, true] - colors[there, true]).abs.sum(axis: 1).gt(DIFFERS)
              end
              .reduce(:&)
          end
        ways.reduce(:|).count.fdiv(pixels.size)
      end
      private_class_method :share_that_stands_out
    end
  end
end
