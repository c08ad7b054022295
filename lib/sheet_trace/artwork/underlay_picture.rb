# frozen_string_literal: true

module SheetTrace
  module Artwork
    # The picture of an underlay, corrected, by itself and on its sheet.
    module UnderlayPicture
      LARGEST_PX = 4096
      private_constant :LARGEST_PX

      # @param underlay [Fit::Underlay]; bytes [String] of its file
      # @return [Vips::Image] 8-bit sRGB with alpha, as large as the recipe makes it
      def self.call(underlay, bytes) =
        Raster::Corrections.call(underlay.recipe, Picture.read(bytes, name: underlay.name))

      # @return [Vips::Image] the whole sheet at the picture's own scale, so that its px stay what they are;
      #   transparent beside it
      def self.on_sheet(underlay, bytes)
        image = call(underlay, bytes)
        left, top, width, height = underlay.box
        return image if underlay.box == [0.0, 0.0, 1.0, 1.0]

        whole = [image.width / width, image.height / height].map { |px| [px.round, 1].max }
        scale = [LARGEST_PX.fdiv(whole.max), 1.0].min
        image = image.resize(scale).copy(interpretation: :srgb) if scale < 1
        whole = whole.map { |px| [(px * scale).round, 1].max }
        image.embed((left * whole[0]).round, (top * whole[1]).round, *whole)
      end
    end
  end
end
