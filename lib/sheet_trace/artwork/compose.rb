# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Bakes the layers of an edition, lays them over each other, and carries the colours of the islands' rims outwards
    # by the bleed.
    module Compose
      # @param stack [Stack]
      # @param canvas [Canvas]
      # @param edition [Integer] of the stack
      # @return [Vips::Image] 8-bit sRGB with alpha, as large as the canvas
      def self.call(stack, canvas, edition: stack.shown)
        sheet = canvas.blank
        Progress.part(0, 0.7) do
          Progress.map(stack.worn(edition).select(&:shown?)) do |layer|
            sheet = over(sheet, canvas.baked(layer), layer.look)
          end
        end
        bleed(sheet, canvas, stack.bleed_px)
      end

      def self.over(below, patch, look)
        return below unless patch

        box = [patch.left_px, patch.top_px, patch.image.width, patch.image.height]
        laid = Blend.call(below.crop(*box), patch.image, opacity: look.opacity, mode: look.blend)
        (box == [0, 0, below.width, below.height] ? laid : below.insert(laid, *box.first(2))).copy_memory
      end

      def self.bleed(sheet, canvas, bleed_px)
        targets, sources = canvas.texel_map.bleed(canvas.scaled_px(bleed_px))
        return sheet if targets.empty?

        texels = Numo::UInt32.from_binary(sheet.write_to_memory)
        texels[targets] = texels[sources]
        Patch.image(texels, canvas.size.width_px, canvas.size.height_px)
      end
      private_class_method :over, :bleed
    end
  end
end
