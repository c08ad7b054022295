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

        # A picture as large as a straight frame is taken as it is, to the byte.
        #
        # @param frame [Frame]; canvas [Canvas]
        # @return [Patch]
        def paint(frame, canvas)
          image = canvas.picture(picture.digest)
          return frame.patch(straight(image, frame)) if frame.straight?

          frame.patch(Warp.call(frame.prepared ? frame.prepared.call(image) : image, frame))
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
      end
    end
  end
end
