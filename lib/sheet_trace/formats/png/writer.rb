# frozen_string_literal: true

module SheetTrace
  module Formats
    module Png
      # Writes 8-bit RGBA PNG, sRGB values as they are, with the true resolution where there is one. Leaves out:
      # palettes, interlacing, other bit depths.
      # Source: W3C, "Portable Network Graphics (PNG) Specification (Third Edition)"; 11.3.4.3 pHYs.
      module Writer
        SIGNATURE_BYTES = 8
        # Length, type and check sum of a chunk beside its data.
        CHUNK_BYTES = 12
        # What a px has more than the one above it: of photographs half is left, and sooner; of flat colours as much.
        FILTER = :up
        private_constant :SIGNATURE_BYTES, :CHUNK_BYTES, :FILTER

        # @param image [Vips::Image] 8-bit sRGB with alpha
        # @param compression [Integer] 0 to 9 as zlib's; low is quicker
        # @param px_per_mm [Float, nil] nothing is said of it if nil
        # @param labelled [Boolean] whether what the image says of itself is written too
        # @return [String] the file
        def self.call(image, compression: 2, px_per_mm: nil, labelled: false)
          sized = px_per_mm ? image.copy(xres: px_per_mm, yres: px_per_mm) : image
          bytes = sized.pngsave_buffer(compression: compression, filter: FILTER, strip: !labelled)
          px_per_mm ? bytes : without(bytes, "pHYs")
        end

        # libvips writes a resolution whether it is known or not.
        def self.without(bytes, type)
          at = SIGNATURE_BYTES
          while at < bytes.bytesize
            length = bytes.byteslice(at, 4).unpack1("N") + CHUNK_BYTES
            return bytes.byteslice(0, at) + bytes.byteslice((at + length)..) if bytes.byteslice(at + 4, 4) == type
            at += length
          end
          bytes
        end
        private_class_method :without
      end
    end
  end
end
