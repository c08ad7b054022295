# frozen_string_literal: true

require "test_helper"
require "vips"

describe SheetTrace::Formats::Pictures do
  open_picture = ->(bytes, name) { SheetTrace::Formats::Pictures.open(bytes, name: name) }
  # A picture that is not the same from any side.
  pixels =
    Numo::UInt8
      .zeros(5, 7, 4)
      .tap do |all|
        all[true, true, 0] = Numo::UInt8.new(7).seq.expand_dims(0) * 30
        all[true, true, 1] = Numo::UInt8.new(5).seq.expand_dims(1) * 50
        all[true, true, 2] = 90
        all[true, true, 3] = 255
        all[1, 2, 3] = 40
      end
  image = Vips::Image.new_from_memory_copy(pixels.to_binary, 7, 5, 4, :uchar).copy(interpretation: :srgb)
  read = ->(bytes) { SheetTrace::Artwork::Picture.pixels(SheetTrace::Artwork::Picture.read(bytes)) }

  header =
    lambda do |kind, depth, descriptor, map: [0, 0, 0]|
      [0, map[0].zero? ? 0 : 1, kind, 0, map[0], map[1], 0, 0, 7, 5, depth, descriptor].pack(
        "C C C S< S< C S< S< S< S< C C"
      )
    end
  bgra = pixels[true, true, [2, 1, 0, 3]]

  # Written by hand after the specification of TGA 2.0: rows from the bottom unless bit 5, columns from the left
  # unless bit 4.
  {
    "32 bits from the top left" => header.call(2, 32, 0x28) + bgra.to_binary,
    "32 bits from the bottom left" => header.call(2, 32, 0x08) + bgra.reverse(0).to_binary,
    "32 bits from the top right" => header.call(2, 32, 0x38) + bgra.reverse(1).to_binary,
    "32 bits in runs" => header.call(10, 32, 0x28) + bgra.reshape(35, 4).to_a.map { |px| [0x80, *px].pack("C*") }.join
  }.each do |name, bytes|
    it "reads TGA of #{name}" do
      pictures, notes = open_picture.call(bytes.b, "skin.tga")

      assert_equal pixels, read.call(pictures.first.bytes)
      assert_empty notes
      assert_equal [7, 5], pictures.first.seen.values_at(:width_px, :height_px)
    end
  end

  it "reads TGA of a colour map and of greys, and runs of both kinds" do
    map =
      header.call(1, 8, 0x20, map: [2, 24]) + [10, 20, 30, 40, 50, 60].pack("C*") +
        ([0, 1, 0, 1, 1, 0, 1] * 5).pack("C*")
    grey = header.call(11, 8, 0x20) + ([0x83, 200, 0x02, 1, 2, 3].pack("C*") * 5)
    first = read.call(open_picture.call(map.b, "map.tga").first.first.bytes)
    second = read.call(open_picture.call(grey.b, "grey.tga").first.first.bytes)

    assert_equal [[30, 20, 10, 255], [60, 50, 40, 255]], first[0, 0..1, true].to_a
    assert_equal [200, 200, 200, 200, 1, 2, 3], second[0, true, 0].to_a
  end

  it "tells where a TGA is cut off, and refuses rows that are interleaved" do
    whole = header.call(2, 32, 0x28) + bgra.to_binary
    assert_refused(SheetTrace::FormatError, { byte: 80 }, message: /cut\.tga is cut off at byte 80/) do
      open_picture.call(whole.byteslice(0, 80), "cut.tga")
    end
    assert_refused(SheetTrace::UnsupportedFeatureError, message: /interleaved/) do
      open_picture.call(header.call(2, 32, 0x68) + bgra.to_binary, "odd.tga")
    end
  end

  raster = ->(files) { SheetTrace::Formats::Zip::Writer.call({ "mimetype" => "image/openraster", **files }) }
  stack =
    '<?xml version="1.0"?><image version="0.0.6" w="7" h="5"><stack><stack name="group"><layer name="Ink" src="data/1.png" x="2" y="1"/></stack>' \
      '<layer name="Ground" src="data/0.png"/></stack></image>'
  dot =
    Vips::Image
      .new_from_memory_copy(([9, 8, 7, 255] * 4).pack("C*"), 2, 2, 4, :uchar)
      .copy(interpretation: :srgb)
      .pngsave_buffer

  it "reads OpenRaster: the whole, and each layer at its place" do
    pictures, notes =
      open_picture.call(
        raster.call(
          "stack.xml" => stack,
          "mergedimage.png" => image.pngsave_buffer,
          "data/0.png" => image.pngsave_buffer,
          "data/1.png" => dot
        ),
        "skin.ora"
      )

    assert_equal ["skin.ora", "skin: Ink.png", "skin: Ground.png"], pictures.map(&:name)
    assert_empty notes
    ink = read.call(pictures[1].bytes)

    assert_equal [5, 7, 4], ink.shape
    assert_equal [[9, 8, 7, 255], [0, 0, 0, 0]], [ink[1, 2, true].to_a, ink[0, 0, true].to_a]
  end

  it "refuses layers that are too much at once" do
    wide = stack.sub('w="7" h="5"', 'w="99999" h="99999"')
    assert_refused(SheetTrace::LimitError, message: /its 2 layers of 99999 x 99999 px are too much/) do
      open_picture.call(raster.call("stack.xml" => wide, "data/0.png" => dot, "data/1.png" => dot), "wide.ora")
    end
  end

  it "says what was read where layers can't be" do
    pictures, notes = open_picture.call(raster.call("mergedimage.png" => image.pngsave_buffer), "flat.ora")

    assert_equal ["flat.ora"], pictures.map(&:name)
    assert_match(/merged picture was read instead/, notes.first.message)
    assert_refused(SheetTrace::FormatError, { file: "no.ora" }, message: /neither layers nor a merged picture/) do
      open_picture.call(raster.call("a.txt" => "x"), "no.ora")
    end
    assert_refused(SheetTrace::UnsupportedFeatureError, message: /save it as PNG, or as OpenRaster/) do
      open_picture.call("8BPS\0\1".b, "art.bin")
    end
  end

  it "keeps SVG as it is, and obeys orientation and profile of photos" do
    svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><rect width="40" height="20" fill="#ff0000"/></svg>'
    picture = open_picture.call(svg, "plan.svg").first.first

    # As many times its size as keeps its proportions where they are fractions of a px.
    assert_equal [1040, 520, "image/svg+xml"], picture.seen.values_at(:width_px, :height_px, :media_type)
    assert_equal svg, picture.bytes
    assert_equal [255, 0, 0, 255], read.call(picture.bytes)[3, 3, true].to_a
    # Exif 2.3, orientation 6: the first row is the right side.
    turned = image.flatten.mutate { |mutable| mutable.set_type!(GObject::GINT_TYPE, "orientation", 6) }.tiffsave_buffer
    seen = open_picture.call(turned, "photo.tif").first.first.seen

    assert_equal [5, 7], seen.values_at(:width_px, :height_px)
  end

  it "says so where only the first of several pictures is read" do
    pages =
      image
        .join(image, :vertical)
        .mutate { |mutable| mutable.set_type!(GObject::GINT_TYPE, "page-height", 5) }
        .tiffsave_buffer(page_height: 5)

    assert_match(/holds 2 pictures; the first was read/, open_picture.call(pages, "pages.tif").last.first.message)
  end
end
