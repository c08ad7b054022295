# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A baked layer: the part of the sheet that it has paint on.
    #
    # pixels [Numo::UInt32] height x width, as Px has them; left_px, top_px [Integer] where it lies on the sheet
    Patch =
      Struct.new(:pixels, :left_px, :top_px, keyword_init: true) do
        # @param image [Vips::Image] 8-bit sRGB with alpha
        # @return [Patch]
        def self.of_image(image, left_px: 0, top_px: 0)
          width, height = [image.width, image.height]
          pixels = Numo::UInt32.zeros(height, width)
          # Some lines at a time, as what libvips hands over is there three times meanwhile.
          lines = [(1 << 22) / width, 1].max
          (0...height).step(lines) do |top|
            some = [lines, height - top].min
            bytes = image.crop(0, top, width, some).write_to_memory
            pixels[top...(top + some), true] = Numo::UInt32.from_binary(bytes, [some, width])
          end
          new(pixels: pixels, left_px: left_px, top_px: top_px)
        end

        # @param pixels [Numo::UInt32, Numo::UInt8] RGBA in rows
        # @return [Vips::Image] 8-bit sRGB with alpha
        def self.image(pixels, width = pixels.shape[1], height = pixels.shape[0])
          bytes = pixels.to_binary
          image = Vips::Image.new_from_memory_copy(bytes, width, height, 4, :uchar)
          bytes.clear # its memory is wanted before it is collected
          image.copy(interpretation: :srgb)
        end

        def initialize(pixels:, left_px: 0, top_px: 0)
          super
          pixels.freeze
          freeze
        end

        # @return [Box] of the sheet
        def box = Box.new(left_px, top_px, pixels.shape[1], pixels.shape[0])

        # @return [Integer] in memory
        def bytesize = pixels.byte_size

        # @return [Vips::Image] 8-bit sRGB with alpha
        def image = Patch.image(pixels)

        # @param part [Box] of the sheet, within the patch's
        # @return [Numo::UInt32] height x width px of it
        def pixels_of(part) = part == box ? pixels : Geometry::Take.call(pixels, *part.seen_from(box).ranges)

        # @param kept [Numo::Bit] one for each texel of the patch
        # @return [Patch] transparent where there is a 0
        def masked(kept)
          masked = Geometry::InPlace.call(Numo::UInt32.cast(kept).reshape(*pixels.shape), [:*, pixels])
          Patch.new(pixels: masked, left_px: left_px, top_px: top_px)
        end
      end
  end
end
