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
      LINE_PX = 1024
      AT_ONCE = 1 << 20 # texels
      private_constant :AS_IT_IS, :OPAQUE, :KERNEL_PX, :LINE_PX, :AT_ONCE

      # Colours are mixed with their alpha premultiplied, so that what is transparent lends no colour to what is not.
      #
      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param frame [Frame] that is not straight
      # @return [Vips::Image] as large as the frame's box
      def self.call(image, frame)
        opaque = image.extract_band(3).min == 255
        source = shrunk(opaque ? image.extract_band(0, n: 3).cast(:float) : image.premultiply, frame)
        source = source.copy_memory if frame.texels.size > AT_ONCE
        opaque_about = opaque ? nil : opaque_about(source)
        pixels = Numo::UInt32.zeros(frame.height_px * frame.width_px)
        # Some at a time, so that memory is used again instead of fetched fresh.
        (0...frame.texels.size).step(AT_ONCE) do |first|
          some = first...[first + AT_ONCE, frame.texels.size].min
          colors = colors(source, opaque_about, frame.across[some], frame.down[some])
          covered(colors, frame.coverage[some]) unless frame.coverage.is_a?(Float)
          pixels[frame.texels[some]] = Numo::UInt32.from_binary(colors.to_binary)
        end
        Patch.image(pixels, frame.width_px, frame.height_px)
      end

      def self.covered(colors, coverage) = colors[true, 3] = (Numo::DFloat.cast(colors[true, 3]) * coverage).round

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

        column, row =
          [[across, source.width], [down, source.height]].map { |share, px| (share * px).floor.clip(0, px - 1) }
        opaque = opaque_about[Numo::Int64.cast((row * source.width) + column)]
        parts = [opaque.eq(255).where, opaque.eq(0).where]
        colors = Numo::UInt8.zeros(across.size, 4)
        parts
          .zip([source.extract_band(0, n: 3), source])
          .each do |texels, image|
            colors[texels, true] = sampled(image, across[texels], down[texels]) unless texels.empty?
          end
        colors
      end

      # The texels as a list, in lines of an image, so that what lies between them costs nothing.
      #
      # @param image [Vips::Image] float: three bands of what is opaque, or four, premultiplied
      # @return [Numo::UInt8] n x 4
      def self.sampled(image, across, down)
        count = across.size
        lines = count.fdiv(LINE_PX).ceil
        index = Numo::SFloat.zeros(lines * LINE_PX, 2)
        # mapim counts from the middle of the first pixel. Past the image's border its own colours go on; how far it
        # reaches is the coverage's to say.
        [[across, image.width], [down, image.height]].each_with_index do |(share, px), band|
          index[0...count, band] = Numo::SFloat.cast((share * px) - 0.5).clip(0.0, px - 1.0)
        end
        map = Vips::Image.new_from_memory_copy(index.to_binary, LINE_PX, lines, 2, :float)
        drawn =
          image.bands == 3 ? mapped(image, map, :bicubic) : mapped(image, map, :lbb, premultiplied: true).unpremultiply
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

      def self.mapped(image, map, kernel, **rest)
        image.mapim(map, interpolate: Vips::Interpolate.new(kernel), extend: :copy, **rest)
      end
      private_class_method :covered, :opaque_about, :colors, :sampled, :shrunk, :mapped
    end
  end
end
