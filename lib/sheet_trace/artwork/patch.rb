# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A baked layer: the part of the sheet that it has paint on.
    #
    # image [Vips::Image] 8-bit sRGB with alpha; left_px, top_px [Integer] where it lies on the sheet
    Patch =
      Struct.new(:image, :left_px, :top_px, keyword_init: true) do
        def initialize(image:, left_px: 0, top_px: 0)
          super
          freeze
        end

        # @return [Box] of the sheet
        def box = Box.new(left_px, top_px, image.width, image.height)

        # @return [Integer] in memory
        def bytesize = image.width * image.height * 4

        # @param part [Box] of the sheet, within the patch's
        # @return [Numo::UInt32] height x width px of it, RGBA
        def pixels(part = box)
          shown = part == box ? image : image.crop(*part.seen_from(box).to_a)
          Numo::UInt32.from_binary(shown.write_to_memory).reshape(part.height_px, part.width_px)
        end

        # @param kept [Numo::Bit] one for each texel of the patch
        # @return [Patch] transparent where there is a 0
        def masked(kept)
          pixels = Numo::UInt32.from_binary(image.write_to_memory)
          Patch.new(
            image: Patch.image(pixels * Numo::UInt32.cast(kept), image.width, image.height),
            left_px: left_px,
            top_px: top_px
          )
        end

        # @param pixels [Numo::UInt32, Numo::UInt8] RGBA in rows
        # @return [Vips::Image] 8-bit sRGB with alpha
        def self.image(pixels, width, height) =
          Vips::Image.new_from_memory_copy(pixels.to_binary, width, height, 4, :uchar).copy(interpretation: :srgb)
      end
  end
end
