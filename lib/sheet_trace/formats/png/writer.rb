# frozen_string_literal: true

module SheetTrace
  module Formats
    module Png
      # Writes 8-bit RGBA PNG, sRGB values as they are. Leaves out: palettes, interlacing, other bit depths.
      # Source: W3C, "Portable Network Graphics (PNG) Specification (Third Edition)".
      module Writer
        # @param image [Vips::Image] 8-bit sRGB with alpha
        # @param compression [Integer] 0 to 9 as zlib's; low is quicker
        # @return [String] the file
        def self.call(image, compression: 3) = image.pngsave_buffer(compression: compression, strip: true)
      end
    end
  end
end
