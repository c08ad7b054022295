# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # An image file.
      class Picture < Kept
        WHOLE = [0.0, 0.0, 1.0, 1.0].freeze
        PLAIN = { crop: WHOLE, recolour: [] }.freeze
        # A crop leaves this share of each side.
        LEAST = 0.001
        private_constant :LEAST, :PLAIN

        picture :picture, "its file"
        numbers :crop, 4, 0.0..1.0, "left, top, right and bottom of what is shown, shares of the file", default: WHOLE
        range =
          Parameters::Record.new do
            color :from, "#rrggbb"
            color :to, "#rrggbb"
            number :within, 0.5..150.0, "how far colours may differ from it and go along, CIE 1976", default: 12.0
          end
        parameter :recolour, Parameters::ListOf.new(range), "ranges of colours that become others", default: []

        # What is as it was before there was more than a file is left out.
        def to_document =
          { **picture.to_h, **{ crop: crop, recolour: recolour }.reject { |name, own| own == PLAIN[name] } }

        def self.from_document(plain)
          new(picture: PictureFile.new(**plain.except(*PLAIN.keys)), **plain.slice(*PLAIN.keys))
        end

        # @raise [InputError] where nothing is left
        def validated(context)
          super.tap do |shown|
            left, top, right, bottom = shown.crop
            next if right - left >= LEAST && bottom - top >= LEAST

            raise InputError.new(
                    "nothing of the picture is left; give a right beyond the left, a bottom below the top",
                    where: {
                      crop: crop
                    }
                  )
          end
        end

        # @return [Array<PictureFile>] that it shows
        def pictures = [picture]

        # @return [Float] of what is shown
        def width_px = picture.width_px * (crop[2] - crop[0])

        # @return [Float] width over height
        def aspect = width_px / (picture.height_px * (crop[3] - crop[1]))

        # A picture as large as a straight frame is taken as it is, to the byte.
        #
        # @param frame [Frame]; canvas [Canvas]
        # @return [Patch]
        def paint(frame, canvas)
          image = canvas.picture(picture.digest, scale: scale(frame))
          image = recolour.reduce(cropped(image)) { |own, range| Recolour.call(own, **range) }
          return frame.patch(straight(image, frame)) if frame.straight?

          Warp.call(sampler(image, frame, canvas), frame)
        end

        # @param pictures [#call] takes a digest, gives the bytes of the image file
        # @return [Drawing::SvgDrawing, nil]
        def vectors(pictures)
          return unless picture.drawing && recolour.empty?

          bytes = pictures.call(picture.digest)
          Drawing::SvgDrawing.new(bytes, size: picture.size_px, crop: crop) if Drawing::SvgDrawing.vectors?(bytes)
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = picture.title

        # @return [String] in words
        def to_words = picture.name

        private

        # What a drawing is rendered at: as many px as texels that it covers, the way that has more.
        def scale(frame)
          return 1.0 unless picture.drawing

          covered = frame.straight? ? [frame.width_px, frame.height_px] : frame.covered_px
          [covered[0] / width_px, covered[1] / (width_px / aspect)].max
        end

        def sampler(image, frame, canvas)
          return Sampler.for(frame.prepared.call(image), frame) if frame.prepared

          seen_as = [self, scale(frame), Sampler.scale(image, frame)]
          canvas.sampler(image.width * image.height, seen_as) { Sampler.for(image, frame) }
        end

        # On whole px, so that what is left stays to the byte.
        def cropped(image)
          return image if crop == WHOLE

          left, top, right, bottom = crop.zip([image.width, image.height] * 2).map { |share, px| (share * px).round }
          left = left.clamp(0, image.width - 1)
          top = top.clamp(0, image.height - 1)
          image.crop(left, top, [right - left, 1].max, [bottom - top, 1].max)
        end

        def straight(image, frame)
          size = [frame.width_px, frame.height_px]
          return image.copy_memory if size == [image.width, image.height] # so that it is decoded once

          Resize.call(image, *size)
        end
      end
    end
  end
end
