# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A mask that is delivered beside the texture, as for varnish or foil: where layers have paint, where the art is
    # light, or where it has one colour. A recipe only: it is worked out anew from whatever the layers show.
    class MaskPicture < Parameters::Declared
      include ReadOff

      FROM = {
        "paint" => "where there is paint",
        "lightness" => "how light it is",
        "color" => "how near to the colour"
      }.freeze

      ReadOff.declare(self, FROM, smooth_px: 0.0)
      flag :inverted, "what is lowest is white", default: false
      parameter :layers,
                Parameters::ListOf.new(References::Layer.new, sizes: 1..10_000, entry: "layer"),
                "of these layers alone; of all of them if nil",
                optional: true

      # @param stack [Stack]
      # @return [Boolean] whether one of its layers is there
      def there?(stack) = layers.nil? || layers.any? { |id| stack.layer(id) }

      # @param stack [Stack]; canvas [Canvas]; edition [Integer] of the stack
      # @param scale [Float] px of the canvas to one of the sheet's own
      # @return [Vips::Image] 8-bit grey, white where it lets through
      def picture(stack, canvas, edition:, scale: 1.0)
        share = levels(sheet(stack, canvas, edition), scale: scale)
        share = (share * -1) + 1 if inverted
        (share * 255).rint.cast(:uchar).copy(interpretation: :"b-w")
      end

      # @return [String] in words
      def to_words
        few = layers&.one? ? "layer" : "layers"
        of = layers ? "#{layers.size} #{few}" : "all layers"
        "of #{of}, #{FROM.fetch(from)}#{" #{color}" if from == "color"}"
      end

      private

      def sheet(stack, canvas, edition)
        return Compose.call(stack, canvas, edition: edition) unless layers

        own = stack.seen(edition).select { |layer| layers.include?(layer.id) }
        Patch.image(Compose.of_layers(own, canvas, bleed_px: stack.bleed_px))
      end
    end
  end
end
