# frozen_string_literal: true

require "zlib"

module SheetTraceServer
  module Json
    # The composed sheet as tiles of plain texels: a page says which it has, and is sent those that differ. On its own
    # machine that is far quicker than to pack the sheet as an image and to unpack it again.
    module SheetTiles
      TILE_PX = 256

      # The head of an answer; its length stands before it in four bytes, little-endian, and the texels of the tiles
      # that are sent follow: RGBA in rows.
      HEAD =
        Shape::Record.new(
          "SheetTilesHead",
          width_px: Shape::NUMBER,
          height_px: Shape::NUMBER,
          tile_px: Shape::NUMBER,
          marks: [Shape::TEXT.list, "of what each tile holds, in rows"],
          sent: [Shape::NUMBER.list, "tiles, by their place in the list"]
        )
      SHAPES = [HEAD].freeze

      # @param pixels [Numo::UInt32] height x width, RGBA
      # @param known [Array<String>] marks of the tiles that the page has
      # @return [String]
      def self.call(pixels, known)
        height, width = pixels.shape
        marks = []
        sent = {}
        each_tile(pixels) do |bytes|
          index = marks.size
          marks << mark(bytes)
          # Cleared at once, or the collector would run for them.
          marks.last == known[index] ? bytes.clear : sent[index] = bytes
        end
        head = JSON.generate(width_px: width, height_px: height, tile_px: TILE_PX, marks: marks, sent: sent.keys)
        [[head.bytesize].pack("L<"), head, *sent.values].map(&:b).join
      end

      def self.each_tile(pixels)
        height, width = pixels.shape
        (0...height).step(TILE_PX) do |top|
          (0...width).step(TILE_PX) do |left|
            yield pixels[top...[top + TILE_PX, height].min, left...[left + TILE_PX, width].min].to_binary
          end
        end
      end

      # Two sums that are quick to work out; both would have to agree by chance.
      def self.mark(bytes) = format("%08x%08x", Zlib.crc32(bytes), Zlib.adler32(bytes))
      private_class_method :each_tile, :mark
    end
  end
end
