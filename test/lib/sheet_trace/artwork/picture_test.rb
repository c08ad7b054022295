# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Picture do
  picture = SheetTrace::Artwork::Picture
  grey = Vips::Image.gaussnoise(40, 30).cast(:uchar).copy(interpretation: :"b-w")
  files = {
    "image/png" => grey.pngsave_buffer,
    "image/jpeg" => grey.jpegsave_buffer,
    "image/webp" => grey.webpsave_buffer,
    "image/tiff" => grey.tiffsave_buffer
  }

  files.each do |type, bytes|
    it "knows #{type} by its content, and reads it as RGBA" do
      assert_equal({ width_px: 40, height_px: 30, media_type: type }, picture.inspect_file(bytes, name: "any.txt"))
      assert_equal [4, :uchar], picture.read(bytes).then { |image| [image.bands, image.format] }
    end
  end

  it "refuses what is no image, naming the file" do
    ["hello", "", "<svg xmlns='http://www.w3.org/2000/svg'/>", "\x89PNG\r\n\x1a\n".b].each do |bytes|
      assert_refused(SheetTrace::FormatError, { file: "label.png" }, message: /label\.png/) do
        picture.inspect_file(bytes, name: "label.png")
      end
    end
  end

  it "refuses an image that is cut off" do
    files
      .slice("image/png", "image/jpeg")
      .each_value do |bytes|
        assert_refused(SheetTrace::FormatError, { file: "half.png" }) do
          picture.inspect_file(bytes.byteslice(0, bytes.bytesize / 2), name: "half.png")
        end
      end
  end

  it "refuses an image of absurd size before it is decoded" do
    huge = Vips::Image.black(20_000, 10).pngsave_buffer

    assert_refused(SheetTrace::LimitError, { got: 200_000 }) { picture.inspect_file(huge, name: "wide.png") }
  end
end
