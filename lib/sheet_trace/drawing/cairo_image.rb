# frozen_string_literal: true

module SheetTrace
  module Drawing
    # Something drawn by Cairo as an image.
    module CairoImage
      # @param width_px [Numeric] to whole px
      # @param height_px [Numeric]
      # @param opaque [Boolean] nothing of it lets anything through, so that colours are as they are
      # @yieldparam context [Cairo::Context] on transparent ground, a unit a px
      # @return [Vips::Image] 8-bit sRGB with alpha
      def self.call(width_px, height_px, opaque: false)
        width, height = [width_px, height_px].map(&:ceil)
        surface = Cairo::ImageSurface.new(Cairo::FORMAT_ARGB32, width, height)
        yield Cairo::Context.new(surface)
        surface.flush
        bgra = Vips::Image.new_from_memory_copy(surface.data, width, height, 4, :uchar) # little-endian ARGB
        surface.finish
        rgba = bgra[2].bandjoin([bgra[1], bgra[0], bgra[3]]).copy(interpretation: :srgb)
        opaque ? rgba : rgba.unpremultiply.rint.cast(:uchar)
      end
    end
  end
end
