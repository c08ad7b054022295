# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Lays an image into a frame: each texel takes the colour of the place of the image that it lies on.
    module Warp
      # From this share on of as many px as it covers texels, an image is not brought down first.
      AS_IT_IS = 0.99
      # Alpha, 0 to 255, of what is opaque.
      OPAQUE = 254.5
      private_constant :AS_IT_IS, :OPAQUE

      # Colours are mixed with their alpha premultiplied, so that what is transparent lends no colour to what is not.
      #
      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param frame [Frame] that is not straight
      # @return [Vips::Image] as large as the frame's box
      def self.call(image, frame)
        image = shrunk(image.premultiply, frame)
        index = Numo::SFloat.zeros(frame.height_px * frame.width_px, 2)
        # mapim counts from the middle of the first pixel. Past the image's border its own colours go on; how far it
        # reaches is the coverage's to say.
        [[frame.across, image.width], [frame.down, image.height]].each_with_index do |(share, px), band|
          index[frame.texels, band] = Numo::SFloat.cast((share * px) - 0.5).clip(0, px - 1)
        end
        map = Vips::Image.new_from_memory_copy(index.to_binary, frame.width_px, frame.height_px, 2, :float)
        drawn = drawn(image, map)
        alpha = (drawn.extract_band(3) * coverage(frame)).rint.cast(:uchar)
        drawn.extract_band(0, n: 3).rint.cast(:uchar).bandjoin(alpha).copy(interpretation: :srgb).copy_memory
      end

      # Brought down to about as many pixels as it covers texels, in each direction by itself, so that fine detail is
      # averaged and not skipped.
      def self.shrunk(image, frame)
        scale =
          frame.covered_px.zip([image.width, image.height]).map { |texels, px| (texels / px).clamp(1.0 / px, 1.0) }
        scale.min > AS_IT_IS ? image : image.resize(scale[0], vscale: scale[1])
      end

      # Bicubic where all is opaque; at the edges of what is transparent it would overshoot, so there by a kernel that
      # keeps to the values about it.
      def self.drawn(image, map)
        sharp = sampled(image, map, :bicubic)
        return sharp if image.extract_band(3).min >= 255

        even = sampled(image, map, :lbb)
        (even.extract_band(3) >= OPAQUE).ifthenelse(sharp, even)
      end

      def self.sampled(image, map, kernel)
        image.mapim(map, interpolate: Vips::Interpolate.new(kernel), premultiplied: true, extend: :copy).unpremultiply
      end

      def self.coverage(frame)
        shares =
          Numo::SFloat.zeros(frame.height_px * frame.width_px).tap { |values| values[frame.texels] = frame.coverage }
        Vips::Image.new_from_memory_copy(shares.to_binary, frame.width_px, frame.height_px, 1, :float)
      end
      private_class_method :shrunk, :drawn, :sampled, :coverage
    end
  end
end
