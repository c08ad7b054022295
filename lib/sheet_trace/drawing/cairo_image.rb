# frozen_string_literal: true

module SheetTrace
  module Drawing
    # Something drawn by Cairo as an image.
    module CairoImage
      # @param width_px [Integer]
      # @param height_px [Integer]
      # @yieldparam context [Cairo::Context] on transparent ground, a unit a px
      # @return [Vips::Image] 8-bit sRGB with alpha
      def self.call(width_px, height_px)
        surface = Cairo::ImageSurface.new(Cairo::FORMAT_ARGB32, width_px, height_px)
        yield Cairo::Context.new(surface)
        surface.flush
        bgra = Vips::Image.new_from_memory_copy(surface.data, width_px, height_px, 4, :uchar) # little-endian ARGB
        rgba = bgra[2].bandjoin([bgra[1], bgra[0], bgra[3]]).copy(interpretation: :srgb)
        rgba.unpremultiply.rint.cast(:uchar)
      end
    end
  end
end
