# frozen_string_literal: true

module SheetTrace
  module Artwork
    # What is read off the colours of a sheet, between two levels: how light they are, or how near to one of them. A
    # relief and a mask have it in common.
    module ReadOff
      # Differences of colour (CIE 1976) over which nearness falls from 1 to 0.
      NEAR = 100
      private_constant :NEAR

      # Declares what is read, of one of these ways.
      def self.declare(base, ways, smooth_px:)
        base.class_eval do
          one_of :from, ways.keys, ways.values.join(", or "), default: ways.keys.first
          color :color, "#rrggbb, for color", default: "#e8d9a6"
          number :low, 0.0..1.0, "what is at most so light, or so near, is lowest", default: 0.0
          number :high, 0.0..1.0, "what is at least so light, or so near, is highest", default: 1.0
          whole :noise_px, 0..8, "specks up to so far across are taken out, at the sheet's own size", default: 0
          number :smooth_px, 0.0..64.0, "edges are smoothed over so far, at the sheet's own size", default: smooth_px
        end
      end

      # @raise [InputError] where nothing lies between low and high
      def validated(context)
        super.tap do |own|
          next if own.high > own.low

          raise InputError.new("high must lie above low; give other levels", where: { high: own.high, low: own.low })
        end
      end

      # What has no paint is lowest.
      #
      # @param sheet [Vips::Image] 8-bit sRGB with alpha; scale [Float] px of it to one of the sheet's own
      # @return [Vips::Image] one band of float, 0 to 1
      def levels(sheet, scale: 1.0)
        share = ((measured(sheet.extract_band(0, n: 3)) - low) / (high - low)) * (sheet.extract_band(3) / 255.0)
        share = (share > 1).ifthenelse(1.0, (share < 0).ifthenelse(0.0, share))
        across = (2 * (noise_px * scale).round) + 1
        share = share.median(across) if across > 1 && noise_px.positive?
        smooth_px.positive? ? share.gaussblur(smooth_px * scale / 2, precision: :float) : share
      end

      private

      def measured(color_bands)
        return (color_bands.extract_band(0) * 0) + 1.0 if from == "paint"

        lab = color_bands.colourspace(:lab)
        return lab.extract_band(0) / 100 if from == "lightness"

        rgb = Drawing::Color.parse(color).to_a.first(3).map { |share| (share * 255).round }
        meant = (Vips::Image.black(1, 1, bands: 3) + rgb).cast(:uchar).copy(interpretation: :srgb).colourspace(:lab)
        off = lab - meant.getpoint(0, 0)
        (((((off * off).bandmean * 3)**0.5) / NEAR) * -1) + 1
      end
    end
  end
end
