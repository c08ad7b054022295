# frozen_string_literal: true

module SheetTrace
  module Formats
    module Tga
      # Writes true-colour TGA, 24 or 32 bit, the first row at the top. Leaves out: run-length encoding, colour maps.
      # Source: Truevision, "TGA File Format Specification", version 2.0.
      module Writer
        TRUE_COLOR = 2
        TOP_LEFT = 0x20
        LONGEST_ID = 255
        LONGEST_PX = 65_535
        private_constant :TRUE_COLOR, :TOP_LEFT, :LONGEST_ID, :LONGEST_PX

        # @param image [Vips::Image] 8-bit sRGB, with alpha for 32 bit
        # @param id [String] what the file says of itself
        # @return [String]
        # @raise [LimitError] if a side is longer than the format can say; where: { limit:, got: }
        def self.call(image, id: "")
          size = [image.width, image.height]
          if size.max > LONGEST_PX
            where = { limit: LONGEST_PX, got: size.max }
            raise LimitError.new("TGA takes up to #{LONGEST_PX} px a side; take PNG or TIFF", where: where)
          end

          alpha = image.bands == 4
          swapped = image[2].bandjoin([image[1], image[0]] + (alpha ? [image[3]] : []))
          id = id.b[0, LONGEST_ID]
          head = [id.bytesize, 0, TRUE_COLOR, 0, 0, 0, 0, 0, *size, alpha ? 32 : 24, TOP_LEFT | (alpha ? 8 : 0)]
          head.pack("C3 v v C v v v v C C") + id + swapped.write_to_memory
        end
      end
    end
  end
end
