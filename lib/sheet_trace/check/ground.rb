# frozen_string_literal: true

module SheetTrace
  module Check
    # The picture that islands lie on: the underlay that is shown, or else the topmost skin.
    class Ground
      # Levels of 255 that noise of compression spreads one colour over.
      NOISE = 12
      private_constant :NOISE

      # @param job [Job]
      # @param pictures [#call] takes a digest, gives the bytes of the image file
      # @return [Ground, nil] nil where there is no picture
      def self.of(job, pictures)
        underlay = job.fit_setup.underlay
        return new(Artwork::UnderlayPicture.on_sheet(underlay, pictures.call(underlay.picture))) if underlay

        skin = job.artwork.worn.reverse.find { |layer| skin?(layer) }
        skin && new(Artwork::Picture.read(pictures.call(skin.content.picture.digest)))
      end

      def self.skin?(layer)
        layer.shown? && layer.look.mask.whole? && layer.content.is_a?(Artwork::Contents::Picture) &&
          layer.content.crop == Artwork::Contents::Picture::WHOLE && layer.place == Artwork::Places::OnSheet.new
      end
      private_class_method :skin?

      # @param image [Vips::Image] of the whole sheet, 8-bit sRGB with alpha
      def initialize(image)
        @image = image
        freeze
      end

      # @param box [Array(Float, Float, Float, Float)] left, top, right and bottom, shares of the sheet
      # @return [Boolean] whether all of it has one colour
      def one_colour?(box)
        sides = [@image.width, @image.height]
        low = [0, 1].map { |axis| (box[axis] * sides[axis]).floor.clamp(0, sides[axis] - 1) }
        high = [0, 1].map { |axis| (box[axis + 2] * sides[axis]).ceil.clamp(low[axis] + 1, sides[axis]) }
        part = @image.crop(*low, high[0] - low[0], high[1] - low[1])
        part.extract_band(3).min == 255 &&
          part.bandsplit.first(3).all? { |band| band.stats.getpoint(1, 0)[0] - band.min <= NOISE }
      end
    end
  end
end
