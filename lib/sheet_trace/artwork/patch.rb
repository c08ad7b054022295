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
          pixels = Numo::UInt32.from_binary(image.write_to_memory, [image.height, image.width])
          new(pixels: pixels, left_px: left_px, top_px: top_px)
        end

        # @param pixels [Numo::UInt32, Numo::UInt8] RGBA in rows
        # @return [Vips::Image] 8-bit sRGB with alpha
        def self.image(pixels, width, height) =
          Vips::Image.new_from_memory_copy(pixels.to_binary, width, height, 4, :uchar).copy(interpretation: :srgb)

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
        def image = Patch.image(pixels, *pixels.shape.reverse)

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
