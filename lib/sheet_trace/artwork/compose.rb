# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Bakes an edition's layers, lays them over each other, and carries the colours of the islands' rims
    # outwards by the bleed.
    module Compose
      # @param edition [Edition]
      # @param canvas [Canvas]
      # @return [Vips::Image] 8-bit sRGB with alpha, as large as the canvas
      # Source: W3C, "Compositing and Blending Level 1", 5.1 Simple alpha compositing, on sRGB values.
      def self.call(edition, canvas)
        shown = edition.layers.select { |layer| layer.visible && layer.opacity.positive? }
        sheet = shown.reduce(canvas.blank) { |below, layer| over(below, canvas.baked(layer), layer.opacity) }
        bleed(sheet, canvas, edition.bleed_px)
      end

      def self.over(below, patch, opacity)
        return below unless patch

        image = patch.image
        image = image.extract_band(0, n: 3).bandjoin((image.extract_band(3) * opacity).rint.cast(:uchar)) if opacity < 1.0
        below.composite2(image.copy(interpretation: :srgb), :over, x: patch.left_px, y: patch.top_px).cast(:uchar)
      end

      def self.bleed(sheet, canvas, bleed_px)
        targets, sources = canvas.texel_map.bleed(canvas.scaled_px(bleed_px))
        texels = Numo::UInt32.from_binary(sheet.write_to_memory)
        texels[targets] = texels[sources] unless targets.empty?
        Vips::Image.new_from_memory_copy(texels.to_binary, canvas.size.width_px, canvas.size.height_px, 4, :uchar).copy(interpretation: :srgb)
      end
      private_class_method :over, :bleed
    end
  end
end
