# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Lays an image into a frame: each texel takes the colour of the place of the image that it lies on.
    module Warp
      # From this share on of as many px as it covers texels, an image is not brought down first.
      AS_IT_IS = 0.99
      # Alpha, 0 to 255, of what is opaque.
      OPAQUE = 254.99
      # Px on either side of the nearest that a kernel looks at.
      KERNEL_PX = 2
      SMALL_PX = 1 << 22
      LINE_PX = 1024
      AT_ONCE = 1 << 20 # texels
      private_constant :AS_IT_IS, :OPAQUE, :KERNEL_PX, :SMALL_PX, :LINE_PX, :AT_ONCE

      # Colours are mixed with their alpha premultiplied, so that what is transparent lends no colour to what is not.
      #
      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param frame [Frame] that is not straight
      # @return [Vips::Image] as large as the frame's box
      def self.call(image, frame)
        image = image.copy_memory if small?(image)
        opaque = image.extract_band(3).min == 255
        source = shrunk(opaque ? image.extract_band(0, n: 3).cast(:float) : image.premultiply, frame)
        source = source.copy_memory if small?(source) || frame.texels.size > AT_ONCE
        opaque_about = opaque ? nil : opaque_about(source)
        pixels = Numo::UInt32.zeros(frame.height_px * frame.width_px)
        # Some at a time, so that memory is used again instead of fetched fresh.
        (0...frame.texels.size).step(AT_ONCE) do |first|
          some = first...[first + AT_ONCE, frame.texels.size].min
          places =
            [[frame.across, source.width], [frame.down, source.height]].map { |shares, px| places(shares[some], px) }
          colors = colors(source, opaque_about, *places)
          covered(colors, frame.coverage[some]) unless frame.coverage.is_a?(Float)
          pixels[frame.texels[some]] = Numo::UInt32.from_binary(colors.to_binary)
        end
        Patch.image(pixels, frame.width_px, frame.height_px)
      end

      # What is looked at several times is worked out once, where it takes little memory.
      def self.small?(image) = image.width * image.height <= SMALL_PX

      def self.covered(colors, coverage) = colors[true, 3] = (Numo::DFloat.cast(colors[true, 3]) * coverage).round

      # Px from the middle of the first one, as mapim counts. Past the image's border its own colours go on; how far it
      # reaches is the coverage's to say.
      def self.places(shares, px) = Numo::SFloat.cast((shares * px) - 0.5).clip(0.0, px - 1.0)

      # Px about which all that a kernel looks at is opaque, in rows: there colours are as they are.
      #
      # @param source [Vips::Image] four bands, premultiplied
      # @return [Numo::UInt8] height x width, 255 or 0
      def self.opaque_about(source)
        reach = (2 * KERNEL_PX) + 1
        solid =
          (source.extract_band(3) >= OPAQUE).embed(
            KERNEL_PX,
            KERNEL_PX,
            source.width + (2 * KERNEL_PX),
            source.height + (2 * KERNEL_PX),
            extend: :copy
          )
        about = solid.erode(Vips::Image.new_from_array(Array.new(reach) { Array.new(reach, 255) }))
        about = about.crop(KERNEL_PX, KERNEL_PX, source.width, source.height)
        Numo::UInt8.from_binary(about.write_to_memory).reshape(source.height, source.width)
      end

      # Bicubic where all is opaque; at the edges of what is transparent it would overshoot, so there by a kernel that
      # keeps to the values about it.
      #
      # @return [Numo::UInt8] n x 4
      def self.colors(source, opaque_about, across, down)
        return sampled(source, across, down) unless opaque_about

        column, row = [across, down].map { |places| Numo::Int32.cast(places.round) }
        opaque = opaque_about[(row * source.width) + column].eq(255)
        return sampled(source, across, down) if opaque.all?

        colors = Numo::UInt8.zeros(across.size, 4)
        { bicubic: opaque, lbb: ~opaque }.each do |kernel, own|
          texels = own.where
          colors[texels, true] = sampled(source, across[texels], down[texels], kernel) unless texels.empty?
        end
        colors
      end

      # The texels as a list, in lines of an image, so that what lies between them costs nothing.
      #
      # @param image [Vips::Image] float: three bands of what is opaque, or four, premultiplied
      # @return [Numo::UInt8] n x 4
      def self.sampled(image, across, down, kernel = :bicubic)
        count = across.size
        lines = count.fdiv(LINE_PX).ceil
        index = Numo::SFloat.zeros(lines * LINE_PX, 2)
        [across, down].each_with_index { |places, band| index[0...count, band] = places }
        map = Vips::Image.new_from_memory_copy(index.to_binary, LINE_PX, lines, 2, :float)
        drawn = image.mapim(map, interpolate: Vips::Interpolate.new(kernel), extend: :copy, premultiplied: true)
        drawn = drawn.unpremultiply if kernel == :lbb
        drawn = drawn.rint.cast(:uchar)
        drawn = drawn.bandjoin(255) if image.bands == 3
        Numo::UInt8.from_binary(drawn.write_to_memory).reshape(lines * LINE_PX, 4)[0...count, true].copy
      end

      # Brought down to about as many pixels as it covers texels, in each direction by itself, so that fine detail is
      # averaged and not skipped.
      def self.shrunk(image, frame)
        scale =
          frame.covered_px.zip([image.width, image.height]).map { |texels, px| (texels / px).clamp(1.0 / px, 1.0) }
        scale.min > AS_IT_IS ? image : image.resize(scale[0], vscale: scale[1])
      end

      private_class_method :small?, :covered, :places, :opaque_about, :colors, :sampled, :shrunk
    end
  end
end
