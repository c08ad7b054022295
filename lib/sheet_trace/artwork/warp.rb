# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Lays an image into a frame: each texel takes the colour of the place of the image that it lies on.
    module Warp
      AT_ONCE = 1 << 18 # texels
      private_constant :AT_ONCE

      # @param sampler [Sampler] of the image
      # @param frame [Frame] that is not straight
      # @return [Patch]
      def self.call(sampler, frame)
        pixels = frame.blank
        # Some at a time, so that memory is used again instead of fetched fresh.
        (0...frame.texels.size).step(AT_ONCE) do |first|
          some = first...[first + AT_ONCE, frame.texels.size].min
          shares = frame.places.call(some)
          px = sampler.call(*shares.zip([sampler.width, sampler.height]).map { |share, side| places(share, side) })
          cover(px, Geometry::Take.call(frame.coverage, some)) unless frame.coverage.is_a?(Float)
          pixels[Geometry::Take.call(frame.texels, some)] = px
        end
        frame.patch_of(pixels)
      end

      # Px from the middle of the first one. Past the image's border its own colours go on; how far it reaches is the
      # coverage's to say.
      def self.places(shares, px)
        places = Numo::SFloat.new(shares.size).store(shares * px)
        Geometry::InPlace.call(places, [:-, 0.5], [:clip, 0.0, px - 1.0])
      end

      # Less of what the image covers in part.
      def self.cover(px, coverage)
        partly = coverage.lt(1).where
        return if partly.empty?

        px[partly] = Px.faded(*[px, coverage].map { |values| Geometry::Take.call(values, partly) })
      end
      private_class_method :places, :cover
    end
  end
end
