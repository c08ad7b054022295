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

  # A disc of 2.2 / 3.5 of the width in a drawing of 3.5 x 2.2 units: its area is the circle's, its edge one texel wide.
  it "renders a drawing at the size that it is shown at" do
    svg =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 3.5 2.2" width="3.5" height="2.2"><circle cx="1.75" ' \
        'cy="1.1" r="1" fill="#a03020"/></svg>'
    file = SheetTrace::Artwork::PictureFile.of_bytes(svg, name: "disc.svg", digest: "disc")

    assert_in_delta 3.5 / 2.2, file.width_px.fdiv(file.height_px), 0.002
    job = operate(Models.job(Models.panel), "set_bleed", bleed_px: 0).job
    layer = { name: "disc", content: picture_content(file), place: on_panel(60.0) }
    job = job.with(artwork: job.artwork.add(**layer))

    assert_nil job.artwork.layers.last.picture_px_per_texel(job)
    [1024, 2048].each do |side|
      size = SheetTrace::Layout::Sheet.new(width_px: side, height_px: side)
      sheet = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(size: size, pictures: ->(_digest) { svg }))
      alpha = sheet.extract_band(3)
      px_per_mm = job.measures[0].density_px_per_mm * side / 1024
      radius = 60 / 3.5 * px_per_mm
      between = ((alpha > 8) & (alpha < 247)).avg / 255 * side * side

      assert_in_delta Math::PI * (radius**2), alpha.avg / 255 * side * side, Math::PI * (radius**2) * 0.004
      assert_operator between, :<, 2 * Math::PI * radius * 2.2
    end
  end

  define_method(:picture_content) { |file| SheetTrace::Artwork::Contents::Picture.new(picture: file) }
  define_method(:on_panel) { |width| SheetTrace::Artwork::Places::OnIsland.new(island: 0, width_mm: width) }
end
