# frozen_string_literal: true

module SheetTrace
  module Formats
    # Opens a file that holds pictures. What the browser shows and the bake reads stays as it is; other kinds are
    # turned into PNG, a picture with layers
    # into one picture for the whole and one for each layer.
    module Pictures
      LAYERED = "8BPS" # how a kind of layered files begins that painters are likely to bring
      MOST_PIXELS = 400_000_000 # of all layers of a file together
      private_constant :LAYERED, :MOST_PIXELS

      # name [String]; bytes [String]; seen [Hash] as Artwork::Picture.inspect_file gives
      Opened = Struct.new(:name, :bytes, :seen, keyword_init: true)

      # @param bytes [String]; name [String]
      # @return [Array(Array<Opened>, Array<Note>)] at least one picture, the whole one first, and what was not read
      # @raise [FormatError, LimitError] as Artwork::Picture.inspect_file
      def self.open(bytes, name:)
        return layered(OpenRaster::Reader.call(bytes, name: name), name) if Zip::Reader.zip?(bytes)

        if bytes.start_with?(LAYERED)
          raise UnsupportedFeatureError.new(
                  "#{name} is a layered file of a kind that is not read; save it as PNG, or as OpenRaster to keep " \
                    "its layers",
                  where: {
                    file: name
                  }
                )
        end
        return [png(tga(bytes, name), name)], [] if Tga::Reader.tga?(bytes) && !Artwork::Picture.known?(bytes)

        seen = Artwork::Picture.inspect_file(bytes, name: name)
        pages = Artwork::Picture.pages(bytes)
        notes =
          (
            if pages > 1
              [
                Note.new(
                  code: "first_page",
                  message: "#{name} holds #{pages} pictures; the first was read",
                  where: {
                    file: name
                  }
                )
              ]
            else
              []
            end
          )
        [[Opened.new(name: name, bytes: bytes, seen: seen)], notes]
      end

      def self.tga(bytes, name) = image(Tga::Reader.call(bytes, name: name))

      def self.image(pixels) =
        Vips::Image.new_from_memory_copy(pixels.to_binary, pixels.shape[1], pixels.shape[0], 4, :uchar).copy(
          interpretation: :srgb
        )

      def self.layered(document, name)
        whole = document.merged && png(Artwork::Picture.read(document.merged, name: name), name)
        size = whole ? whole.seen.values_at(:width_px, :height_px) : [document.width_px, document.height_px]
        px = size.reduce(:*) * document.layers.size
        if px > MOST_PIXELS
          raise LimitError.new(
                  "#{name}: its #{document.layers.size} layers of #{size.join(" x ")} px are too much at once",
                  where: {
                    limit: MOST_PIXELS,
                    got: px
                  }
                )
        end

        layers =
          document.layers.map do |layer, bytes, x, y|
            placed = placed(Artwork::Picture.read(bytes, name: "#{name}: #{layer}"), x, y, size)
            png(placed.copy(interpretation: :srgb), "#{File.basename(name, ".*")}: #{layer}.png")
          end
        [[whole, *layers].compact, document.notes]
      end

      # On the whole canvas; what lies beyond it is cut off.
      def self.placed(image, left, top, size)
        box = Artwork::Box.new(left, top, image.width, image.height).within(Artwork::Box.new(0, 0, *size))
        return Vips::Image.black(*size, bands: 4).copy(interpretation: :srgb) if box.empty?

        seen = image.crop(box.left_px - left, box.top_px - top, box.width_px, box.height_px)
        seen.embed(box.left_px, box.top_px, *size)
      end

      def self.png(image, name)
        bytes = Png::Writer.call(image, compression: 6)
        Opened.new(name: name, bytes: bytes, seen: Artwork::Picture.inspect_file(bytes, name: name))
      end
      private_class_method :tga, :image, :layered, :placed, :png
    end
  end
end
