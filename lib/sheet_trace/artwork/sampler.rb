# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Colours of an image between its px. Bicubic where all about is opaque; at the edges of what is transparent that
    # would overshoot, so there by a kernel that keeps to the values about it, with alpha premultiplied: what is
    # transparent lends no colour to what is not.
    class Sampler
      # Px on either side of the nearest that a kernel looks at.
      KERNEL_PX = 2
      SMALL_PX = 1 << 22
      # From this share on of as many px as it covers texels, an image is not brought down first.
      AS_IT_IS = 0.99
      # Of what it is brought down to; the rest is rounding, which is another in each place.
      DIGITS = 10
      # What is larger is kept in memory if more than one in so many of its px is asked for.
      FEW = 16
      # Px about an image that go on as its borders. Kept with it: libvips would add them anew, in a copy of all that
      # some texels lie on, as often as one of those is at the border.
      AROUND_PX = 4
      # As wide as the tiles that libvips works in: what is in one tile then lies together in the image, too.
      LINE_PX = 64
      # Of the map of what lies about a px; other values are neither.
      OPAQUE = 255
      CLEAR = 0
      private_constant :AS_IT_IS, :DIGITS, :KERNEL_PX, :SMALL_PX, :FEW, :AROUND_PX, :LINE_PX, :OPAQUE, :CLEAR

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param frame [Frame] that the image is laid into
      # @return [Sampler]
      def self.for(image, frame) = new(image, scale: scale(image, frame), places: frame.texels.size)

      # @return [Array(Float, Float), nil] what an image is brought down to across and down, each by itself, to have
      #   about as many px as it covers texels; nil where it has no more of them
      def self.scale(image, frame)
        shares =
          frame
            .covered_px
            .zip([image.width, image.height])
            .map { |texels, px| (texels / px).clamp(1.0 / px, 1.0).round(DIGITS) }
        shares if shares.min < AS_IT_IS
      end

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param scale [Array(Float, Float), nil] what it is brought down to across and down, so that fine detail is
      #   averaged and not skipped; nil: as it is
      # @param places [Integer] how many are asked for, about
      def initialize(image, scale: nil, places: image.width * image.height)
        kept = ->(own) { own.width * own.height <= [SMALL_PX, FEW * places].max ? own.copy_memory : own }
        image = kept.call(image)
        opaque = image.extract_band(3).min == OPAQUE
        if scale
          premultiplied, image = brought_down(image, opaque, scale)
          premultiplied &&= kept.call(surrounded(premultiplied))
        end
        @width = image.width
        @height = image.height
        @image = kept.call(surrounded(image))
        @premultiplied = premultiplied || kept.call(@image.premultiply) unless opaque
        @about = about(@image.extract_band(3)) unless opaque
      end

      # @return [Integer] in memory, at the most
      def bytesize = (width + (2 * AROUND_PX)) * (height + (2 * AROUND_PX)) * (@about ? 4 + 16 + 1 : 4)

      # @return [Integer] px, brought down
      attr_reader :width, :height

      # @param across [Numo::SFloat] n px from the middle of the first one, within the image; down [Numo::SFloat] n
      # @return [Numo::UInt32] n px, RGBA
      def call(across, down)
        return bicubic(across, down) unless @about

        column, row = [across, down].map { |places| Numo::Int32.cast(places + 0.5) }
        about = Geometry::Take.call(@about, Geometry::InPlace.call(row, [:*, width], [:+, column]))
        opaque = about.eq(OPAQUE)
        return bicubic(across, down) if opaque.all?

        px = Numo::UInt32.zeros(across.size)
        { bicubic: opaque, between: ~(opaque | about.eq(CLEAR)) }.each do |kernel, there|
          own = there.where
          px[own] = send(kernel, *[across, down].map { |places| Geometry::Take.call(places, own) }) unless own.empty?
        end
        px
      end

      private

      # @return [Array(Vips::Image, Vips::Image)] premultiplied, in single precision, nil where it is opaque; and 8-bit
      def brought_down(image, opaque, scale)
        shrunk = ->(own) { own.resize(scale[0], vscale: scale[1]) }
        premultiplied = shrunk.call(image.premultiply).copy_memory unless opaque
        image = premultiplied || shrunk.call(image.extract_band(0, n: 3).cast(:float)).bandjoin(OPAQUE)
        [premultiplied, image.rint.cast(:uchar)]
      end

      def surrounded(image)
        sides = [image.width, image.height].map { |px| px + (2 * AROUND_PX) }
        image.embed(AROUND_PX, AROUND_PX, *sides, extend: :copy)
      end

      # @param alpha [Vips::Image] one band, of the image and what goes on about it
      # @return [Numo::UInt8] a px each, in rows: OPAQUE or CLEAR where all that a kernel looks at is that
      def about(alpha)
        reach = (2 * KERNEL_PX) + 1
        square = Vips::Image.new_from_array(Array.new(reach) { Array.new(reach, 255) })
        opaque, painted =
          [[alpha >= 255, :erode], [alpha > 0, :dilate]].map do |found, by|
            found.public_send(by, square).crop(AROUND_PX, AROUND_PX, width, height)
          end
        Numo::UInt8.from_binary(opaque.ifthenelse(OPAQUE, (painted / 2).cast(:uchar)).write_to_memory)
      end

      def bicubic(across, down) = drawn(@image, across, down, :bicubic) { |colors| colors }

      def between(across, down)
        drawn(@premultiplied, across, down, :lbb) { |colors| colors.unpremultiply.rint.cast(:uchar) }
      end

      # The places as a list, in lines of an image.
      #
      # @return [Numo::UInt32] n
      def drawn(image, across, down, kernel)
        count = across.size
        lines = count.fdiv(LINE_PX).ceil
        index = Numo::SFloat.zeros(lines * LINE_PX, 2)
        [across, down].each_with_index do |places, band|
          index[0...count, band] = places + AROUND_PX
          index[count.., band] = index[count - 1, band] if count < index.shape[0]
        end
        map = Vips::Image.new_from_memory_copy(index.to_binary, LINE_PX, lines, 2, :float)
        colors = image.mapim(map, interpolate: Vips::Interpolate.new(kernel), extend: :copy, premultiplied: true)
        Geometry::Take.call(Numo::UInt32.from_binary(yield(colors).write_to_memory), 0...count)
      end
    end
  end
end
