# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Turns a range of colours of a picture into another: what is as near to a colour as is said goes along with it by
    # the same step in CIE L*a*b*, so that shades stay shades; what is a little further off goes along in part.
    # Source: CIE 015, colour difference of 1976; sRGB by IEC 61966-2-1, as libvips converts.
    module Recolour
      # Beyond this many times the distance that is taken wholly, nothing is changed.
      FADED = 1.5
      private_constant :FADED

      # @param image [Vips::Image] 8-bit sRGB with alpha
      # @param from [String] #rrggbb; to [String] #rrggbb
      # @param within [Float] difference of colour (1976) up to which a colour goes along wholly
      # @return [Vips::Image] 8-bit sRGB, its alpha as it was; exactly the new colour where it was exactly the old
      def self.call(image, from:, to:, within:)
        color = image.extract_band(0, n: 3)
        lab = color.colourspace(:lab)
        old, new = [from, to].map { |own| swatch(own) }
        start, stop = [old, new].map { |own| own.colourspace(:lab).getpoint(0, 0) }
        off = (lab - start)
        far = ((off * off).bandmean * 3)**0.5
        share = ramp(far, within)
        moved = (lab + (share * stop.zip(start).map { |to_part, from_part| to_part - from_part })).colourspace(:srgb)
        same = (color == old.getpoint(0, 0)).bandand
        same
          .ifthenelse(new.getpoint(0, 0), (share > 0).ifthenelse(moved, color))
          .cast(:uchar)
          .bandjoin(image.extract_band(3))
          .copy(interpretation: :srgb)
          .copy_memory
      end

      # 1 as far as is said, then down to 0.
      def self.ramp(far, within)
        share = (far * (-1 / (within * (FADED - 1)))) + (FADED / (FADED - 1))
        (share > 1).ifthenelse(1.0, (share < 0).ifthenelse(0.0, share))
      end

      def self.swatch(color)
        rgb = Drawing::Color.parse(color).to_a.first(3).map { |share| (share * 255).round }
        (Vips::Image.black(1, 1, bands: 3) + rgb).cast(:uchar).copy(interpretation: :srgb)
      end
      private_class_method :ramp, :swatch
    end
  end
end
