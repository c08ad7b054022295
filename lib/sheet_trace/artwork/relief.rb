# frozen_string_literal: true

module SheetTrace
  module Artwork
    # How the art of a sheet is raised: heights read off its colours, and the normal map and the mask that follow from
    # it. A recipe only: it is worked out anew from whatever the sheet shows.
    class Relief < Parameters::Declared
      FROM = %w[lightness color].freeze
      # What is made of it: heights as 16-bit grey, and the normal map.
      PICTURES = %w[height normals].freeze
      LEVELS_16 = 65_535
      # Differences of colour (CIE 1976) over which nearness falls from 1 to 0.
      NEAR = 100
      private_constant :LEVELS_16, :NEAR

      one_of :from, FROM, "light is high, or what is near to the colour is", default: "lightness"
      color :color, "#rrggbb, for color", default: "#e8d9a6"
      number :low, 0.0..1.0, "what is at most so light, or so near, is lowest", default: 0.0
      number :high, 0.0..1.0, "what is at least so light, or so near, is highest", default: 1.0
      whole :noise_px, 0..8, "specks up to so far across are taken out, at the sheet's own size", default: 0
      number :smooth_px, 0.0..64.0, "edges are smoothed over so far, at the sheet's own size", default: 1.0
      number :height_mm, 0.001..1000.0, "from the lowest to the highest", default: 0.5

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
      def heights(sheet, scale: 1.0)
        share = ((measured(sheet.extract_band(0, n: 3)) - low) / (high - low)) * (sheet.extract_band(3) / 255.0)
        share = (share > 1).ifthenelse(1.0, (share < 0).ifthenelse(0.0, share))
        across = (2 * (noise_px * scale).round) + 1
        share = share.median(across) if across > 1 && noise_px.positive?
        smooth_px.positive? ? share.gaussblur(smooth_px * scale / 2, precision: :float) : share
      end

      # @param kind [String] of PICTURES; the rest as .normals takes it
      # @return [Vips::Image]
      def picture(kind, sheet, px_per_mm:, scale: 1.0)
        return normals(sheet, px_per_mm: px_per_mm, scale: scale) if kind == "normals"

        (heights(sheet, scale: scale) * LEVELS_16).rint.cast(:ushort).copy(interpretation: :grey16)
      end

      # Red to the right of the sheet, green up it, blue outwards.
      #
      # @param px_per_mm [Float] of the sheet as it is given
      # @return [Vips::Image] 8-bit RGB
      # Source: Khronos, "glTF 2.0 Specification", 3.9.3 (normal texture); slopes by central differences.
      def normals(sheet, px_per_mm:, scale: 1.0)
        raised = heights(sheet, scale: scale) * (height_mm * px_per_mm)
        right, down = slopes(raised)
        length = ((right * right) + (down * down) + 1)**0.5
        parts = [right * -1, down, (right * 0) + 1].map { |part| ((((part / length) + 1) / 2) * 255).rint.cast(:uchar) }
        parts[0].bandjoin(parts.drop(1)).copy(interpretation: :srgb)
      end

      # @return [String] in words
      def to_words = "from #{from == "color" ? "what is near #{color}" : "lightness"}, #{height_mm} mm high"

      private

      def measured(color_bands)
        lab = color_bands.colourspace(:lab)
        return lab.extract_band(0) / 100 if from == "lightness"

        rgb = Drawing::Color.parse(color).to_a.first(3).map { |share| (share * 255).round }
        meant = (Vips::Image.black(1, 1, bands: 3) + rgb).cast(:uchar).copy(interpretation: :srgb).colourspace(:lab)
        off = lab - meant.getpoint(0, 0)
        (((((off * off).bandmean * 3)**0.5) / NEAR) * -1) + 1
      end

      # Rise to the right and downwards, a px.
      def slopes(raised)
        across = Vips::Image.new_from_array([[-0.5, 0, 0.5]])
        [across, across.rot90].map { |mask| raised.conv(mask, precision: :float) }
      end
    end
  end
end
