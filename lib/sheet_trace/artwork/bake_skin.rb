# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Lays a picture over the whole sheet. A picture of the sheet's size is taken as it is, to the byte.
    module BakeSkin
      # @param layer [Layer]
      # @param canvas [Canvas]
      # @return [Patch] as large as the canvas
      def self.call(layer, canvas)
        picture = canvas.picture(layer.picture)
        width = canvas.size.width_px
        height = canvas.size.height_px
        return Patch.new(image: picture) if picture.width == width && picture.height == height

        resized = picture.premultiply.resize(width.fdiv(picture.width), vscale: height.fdiv(picture.height)).unpremultiply.rint.cast(:uchar)
        Patch.new(image: resized.crop(0, 0, width, height).copy(interpretation: :srgb).copy_memory)
      end
    end
  end
end
