# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Lays a picture over the whole sheet, or over the faces of one material. A picture of the sheet's size is taken as
    # it is, to the byte.
    module BakeSkin
      # @param layer [Layer]
      # @param canvas [Canvas]
      # @return [Patch] as large as the canvas
      def self.call(layer, canvas)
        whole = sized(layer, canvas)
        layer.material ? Patch.new(image: masked(whole, canvas.material_map(layer.material))) : Patch.new(image: whole)
      end

      def self.sized(layer, canvas)
        picture = canvas.picture(layer.picture)
        width = canvas.size.width_px
        height = canvas.size.height_px
        return picture if picture.width == width && picture.height == height

        resized = picture.premultiply.resize(width.fdiv(picture.width), vscale: height.fdiv(picture.height)).unpremultiply.rint.cast(:uchar)
        resized.crop(0, 0, width, height).copy(interpretation: :srgb).copy_memory
      end

      # Transparent outside the texels of a map.
      def self.masked(image, texel_map)
        pixels = Numo::UInt32.from_binary(image.write_to_memory)
        kept = Numo::UInt32.zeros(pixels.size)
        kept[texel_map.texels] = pixels[texel_map.texels] unless texel_map.texels.empty?
        Vips::Image.new_from_memory_copy(kept.to_binary, image.width, image.height, 4, :uchar).copy(interpretation: :srgb)
      end
      private_class_method :sized, :masked
    end
  end
end
