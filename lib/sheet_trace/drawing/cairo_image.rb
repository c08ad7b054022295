# frozen_string_literal: true

module SheetTrace
  module Drawing
    # Something drawn by Cairo as an image.
    module CairoImage
      # Of one in several colours: about 1.3 GB are taken while it is drawn.
      MOST_PX = 8192 * 16_384
      private_constant :MOST_PX

      # @param width_px [Numeric] to whole px
      # @param height_px [Numeric]
      # @param opaque [Boolean] nothing of it lets anything through, so that colours are as they are
      # @yieldparam context [Cairo::Context] on transparent ground, a unit a px
      # @return [Vips::Image] 8-bit sRGB with alpha
      def self.call(width_px, height_px, opaque: false, &draw)
        width, height = [width_px, height_px].map(&:ceil)
        limit(width, height)
        bgra = drawn(Cairo::FORMAT_ARGB32, width, height, 4, &draw) # little-endian ARGB
        rgba = bgra[2].bandjoin([bgra[1], bgra[0], bgra[3]]).copy(interpretation: :srgb)
        opaque ? rgba : rgba.unpremultiply.rint.cast(:uchar)
      end

      # Something of one colour alone: only how much of each px it covers is drawn, in a quarter of the memory, and
      # its colour is exact however little that is.
      #
      # @param color [Color]; ground [Color, nil] none: transparent
      # @yieldparam context [Cairo::Context] as .call
      # @return [Vips::Image] 8-bit sRGB with alpha
      def self.in_one_color(width_px, height_px, color, ground: nil, &draw)
        width, height = [width_px, height_px].map(&:ceil)
        cover = drawn(Cairo::FORMAT_A8, width, height, 1, &draw)
        cover.maplut(shades(color, ground)).copy(interpretation: :srgb)
      end

      # @param bands [Integer] bytes of a px
      # @return [Vips::Image] what the block drew, as Cairo has it in memory
      def self.drawn(format, width, height, bands)
        stride = ((width * bands) + 3) / 4 * 4 # Cairo's rows begin at whole words
        memory = "\0".b * (stride * height)
        surface = Cairo::ImageSurface.new(memory, format, width, height, stride)
        yield Cairo::Context.new(surface)
        surface.flush
        surface.finish
        Vips::Image.new_from_memory_copy(memory, stride / bands, height, bands, :uchar).crop(0, 0, width, height)
      end

      def self.limit(width, height)
        return if width * height <= MOST_PX

        raise LimitError.new(
                "#{width} x #{height} px in several colours are too much to be drawn at once; take a smaller size, one " \
                  "colour for all lines and no marks or fills, or SVG or PDF",
                where: {
                  limit: MOST_PX,
                  got: width * height
                }
              )
      end

      # What px look like by how much of them is covered.
      #
      # @return [Vips::Image] 256 x 1, four bands
      def self.shades(color, ground)
        rows =
          (0..255).map do |cover|
            if ground
              [*color.to_a.zip(ground.to_a).map { |over, under| (under * (255 - cover)) + (over * cover) }, 255]
            else
              [*color.to_a.map { |share| cover.zero? ? 0 : share * 255 }, cover]
            end
          end
        Vips::Image.new_from_memory_copy(rows.flatten.map(&:round).pack("C*"), 256, 1, 4, :uchar)
      end
      private_class_method :drawn, :limit, :shades
    end
  end
end
