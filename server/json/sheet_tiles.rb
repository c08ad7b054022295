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
        tiles = tiles(pixels)
        marks = tiles.map { |bytes| mark(bytes) }
        sent = marks.each_index.reject { |index| marks[index] == known[index] }
        head = JSON.generate(width_px: width, height_px: height, tile_px: TILE_PX, marks: marks, sent: sent)
        [[head.bytesize].pack("L<"), head, *tiles.values_at(*sent)].map(&:b).join
      end

      def self.tiles(pixels)
        height, width = pixels.shape
        (0...height)
          .step(TILE_PX)
          .to_a
          .product((0...width).step(TILE_PX).to_a)
          .map { |top, left| pixels[top...[top + TILE_PX, height].min, left...[left + TILE_PX, width].min].to_binary }
      end

      # Two sums that are quick to work out; both would have to agree by chance.
      def self.mark(bytes) = format("%08x%08x", Zlib.crc32(bytes), Zlib.adler32(bytes))
      private_class_method :tiles, :mark
    end
  end
end
