# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # An image file.
      class Picture < Kept
        picture :picture, "its file"

        def to_document = picture.to_h
        def self.from_document(plain) = new(picture: PictureFile.new(**plain))

        # @return [Float] width over height
        def aspect = picture.width_px.fdiv(picture.height_px)

        # A picture as large as a straight frame is taken as it is, to the byte. Elsewhere colours are mixed with
        # their alpha premultiplied, so that
        # what is transparent lends no colour to what is not.
        #
        # @param frame [Frame]; canvas [Canvas]
        # @return [Patch]
        def paint(frame, canvas)
          image = canvas.picture(picture.digest)
          frame.patch(frame.straight? ? straight(image, frame) : warped(shrunk(image.premultiply, frame), frame))
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = picture.title

        # @return [String] in words
        def to_words = picture.name

        private

        def straight(image, frame)
          size = [frame.width_px, frame.height_px]
          return image if size == [image.width, image.height]

          resized =
            image
              .premultiply
              .resize(size[0].fdiv(image.width), vscale: size[1].fdiv(image.height))
              .unpremultiply
              .rint
              .cast(:uchar)
          resized.embed(0, 0, *size, extend: :copy).copy(interpretation: :srgb).copy_memory
        end

        # Brought down to about as many pixels as it covers texels, in each direction by itself, so that fine detail
        # is averaged and not skipped.
        def shrunk(image, frame)
          scale =
            frame.covered_px.zip([image.width, image.height]).map { |texels, px| (texels / px).clamp(1.0 / px, 1.0) }
          scale.min > 0.99 ? image : image.resize(scale[0], vscale: scale[1])
        end

        # mapim counts from the middle of the first pixel. Past the picture's border its own colours go on; how far it
        # reaches is the coverage's to say.
        def warped(image, frame)
          index = Numo::SFloat.zeros(frame.height_px * frame.width_px, 2)
          [[frame.across, image.width], [frame.down, image.height]].each_with_index do |(share, px), band|
            index[frame.texels, band] = Numo::SFloat.cast((share * px) - 0.5).clip(0, px - 1)
          end
          map = Vips::Image.new_from_memory_copy(index.to_binary, frame.width_px, frame.height_px, 2, :float)
          drawn = drawn(image, map)
          alpha = (drawn.extract_band(3) * coverage(frame)).rint.cast(:uchar)
          drawn.extract_band(0, n: 3).rint.cast(:uchar).bandjoin(alpha).copy(interpretation: :srgb).copy_memory
        end

        # Bicubic where all is opaque; at the edges of what is transparent it would overshoot, so there by a kernel
        # that keeps to the values about it.
        def drawn(image, map)
          sharp = sampled(image, map, :bicubic)
          return sharp if image.extract_band(3).min >= 255

          even = sampled(image, map, :lbb)
          (even.extract_band(3) >= 254.5).ifthenelse(sharp, even)
        end

        def sampled(image, map, kernel)
          image.mapim(map, interpolate: Vips::Interpolate.new(kernel), premultiplied: true, extend: :copy).unpremultiply
        end

        def coverage(frame)
          shares =
            Numo::SFloat.zeros(frame.height_px * frame.width_px).tap { |values| values[frame.texels] = frame.coverage }
          Vips::Image.new_from_memory_copy(shares.to_binary, frame.width_px, frame.height_px, 1, :float)
        end
      end
    end
  end
end
