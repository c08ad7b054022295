# frozen_string_literal: true

require "vips"
require "zlib"
require_relative "../../../../test_helper"

describe SheetTrace::Formats::Png::Writer do
  image = Vips::Image.gaussnoise(31, 17).cast(:uchar).bandjoin([10, 20, 255]).copy(interpretation: :srgb)
  chunks =
    lambda do |bytes|
      at = 8
      found = []
      while at < bytes.bytesize
        length, type = bytes.byteslice(at, 8).unpack("Na4")
        data = bytes.byteslice(at + 8, length)
        found << [type, data, bytes.byteslice(at + 8 + length, 4).unpack1("N") == Zlib.crc32(type + data)]
        at += length + 12
      end
      found
    end

  it "says nothing of a resolution that is not known, and keeps every chunk whole" do
    found = chunks.call(SheetTrace::Formats::Png::Writer.call(image))

    refute_includes found.map(&:first), "pHYs"
    assert(found.all?(&:last))
    assert_equal %w[IHDR IEND], found.map(&:first).values_at(0, -1)
  end

  # PNG, 11.3.4.3: px per unit across and down, and 1 for metres.
  it "says the true resolution where there is one" do
    found = chunks.call(SheetTrace::Formats::Png::Writer.call(image, px_per_mm: 4.0)).assoc("pHYs")

    assert_equal [4000, 4000, 1], found[1].unpack("NNC")
  end

  it "keeps the pixels to the byte" do
    again = Vips::Image.new_from_buffer(SheetTrace::Formats::Png::Writer.call(image), "")

    assert_equal image.write_to_memory, again.write_to_memory
  end
end
