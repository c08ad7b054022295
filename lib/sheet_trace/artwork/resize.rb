# frozen_string_literal: true

module SheetTrace
  module Artwork
    # An image at another size. Alpha is premultiplied, so that what is transparent lends no colour to what is not;
    # where all about is opaque, that is left out.
    module Resize
      # How far the kernel looks that enlarges, and one more, px of the image.
      REACH_PX = 3
      private_constant :REACH_PX

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param width_px [Integer]; height_px [Integer]
      # @return [Vips::Image] 8-bit sRGB with alpha, so large
      def self.call(image, width_px, height_px)
        scales = [width_px.fdiv(image.width), height_px.fdiv(image.height)]
        resized = scales.min < 1 ? premultiplied(image, scales) : enlarged(image.copy_memory, scales)
        resized.embed(0, 0, width_px, height_px, extend: :copy).copy(interpretation: :srgb)
      end

      def self.premultiplied(image, (across, down)) =
        image.premultiply.resize(across, vscale: down).unpremultiply.rint.cast(:uchar)

      # libvips works out of each tile what is chosen there, and no more.
      def self.enlarged(image, (across, down))
        square = Vips::Image.new_from_array(Array.new((2 * REACH_PX) + 1) { Array.new((2 * REACH_PX) + 1, 255) })
        alpha = image.extract_band(3)
        opaque, painted =
          [[alpha >= 255, :erode], [alpha > 0, :dilate]].map do |there, by|
            there.public_send(by, square).resize(across, vscale: down, kernel: :nearest)
          end
        opaque.ifthenelse(
          image.extract_band(0, n: 3).resize(across, vscale: down).bandjoin(255),
          painted.ifthenelse(premultiplied(image, [across, down]), [0, 0, 0, 0])
        )
      end
      private_class_method :premultiplied, :enlarged
    end
  end
end
