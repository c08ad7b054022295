# frozen_string_literal: true

module SheetTrace
  module Trace
    # Light and dark squares for a template's ground.
    module Checker
      SQUARES = 32 # along the longer side
      LEVELS = [236, 250].freeze
      private_constant :SQUARES, :LEVELS

      # @param size [Layout::Sheet]
      # @return [Vips::Image] 8-bit sRGB with alpha
      def self.call(size)
        side = [[size.width_px, size.height_px].max / SQUARES, 1].max
        place = Vips::Image.xyz(size.width_px, size.height_px)
        dark = ((place / side).floor[0] + (place / side).floor[1]) % 2
        grey = (dark > 0).ifthenelse(LEVELS[0], LEVELS[1]).cast(:uchar)
        grey.bandjoin([grey, grey, 255]).copy(interpretation: :srgb)
      end
    end
  end
end
