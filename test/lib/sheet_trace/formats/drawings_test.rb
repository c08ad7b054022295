# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"
require "open3"

# Compared with programs that nobody here wrote: librsvg, poppler, libtiff, and libvips' own readers.
describe SheetTrace::Formats::Drawings do
  formats = SheetTrace::Formats
  label = formats::Label.new(title: "Caddy & co", code: "7KQ2-M9TX")
  job = Models.job(Demo::TeaCaddy.obj)
  # The caddy's sheet of 1024 px is 256 mm wide.
  scene =
    lambda do |**options|
      size = SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 512)
      SheetTrace::Trace::Template.call(job.layout, size: size, background: "white", **options)
    end

  before { @folder = Dir.mktmpdir }
  after { FileUtils.remove_entry(@folder) }

  define_method(:write) { |name, bytes| File.join(@folder, name).tap { |path| File.binwrite(path, bytes) } }
  define_method(:told) do |*command|
    output, status = Open3.capture2e(*command)

    assert_predicate status, :success?, output
    output
  end
  define_method(:pixels) { |image| image.has_alpha? ? image.flatten(background: [255, 255, 255]).cast(:uchar) : image }
  # Mean and share of px that differ by more than a quarter of the way from black to white.
  define_method(:differ) do |first, second|
    off = (pixels(first) - pixels(second)).abs
    [off.avg, (off > 64).bandor.avg / 255]
  end

  it "writes PNG, TIFF, TGA and WebP to the px, JPEG nearly, each with the code of the layout" do
    drawing = scene.call(marks: %w[names])
    %w[png tif tga webp jpg].each do |kind|
      bytes = formats::Drawings.call(drawing, kind, px_per_mm: 2.0, label: label)
      image =
        (
          if kind == "tga"
            formats::Pictures.open(bytes, name: "a.tga")[0][0].then { |own| Vips::Image.new_from_buffer(own.bytes, "") }
          else
            Vips::Image.new_from_buffer(bytes, "")
          end
        )

      assert_equal [512, 512], [image.width, image.height], kind
      assert_operator differ(drawing.to_image, image)[0], :<=, kind == "jpg" ? 1.5 : 0, kind
      assert_equal "7KQ2-M9TX", formats::Label.code(bytes), kind
    end
  end

  it "says the true resolution in PNG, TIFF and JPEG" do
    tiff = write("a.tif", formats::Drawings.call(scene.call, "tif", px_per_mm: 300 / 25.4))

    assert_match(%r{Resolution: 118.11, 118.11 pixels/cm}, told("tiffinfo", tiff))
    assert_match(/Extra Samples: 1<unassoc-alpha>/, told("tiffinfo", tiff))
    %w[png jpg].each do |kind|
      image = Vips::Image.new_from_buffer(formats::Drawings.call(scene.call, kind, px_per_mm: 300 / 25.4), "")

      assert_in_delta 300 / 25.4, image.xres, 0.2, kind
    end
  end

  # Truevision, TGA 2.0: byte 2 is the kind, 16 the depth, bit 5 of byte 17 the upper left corner.
  it "writes TGA of 24 and 32 bit from the upper left corner" do
    image = Vips::Image.black(3, 2, bands: 4).copy(interpretation: :srgb) + [10, 20, 30, 40]
    { 4 => 32, 3 => 24 }.each do |bands, depth|
      bytes = formats::Tga::Writer.call(image.extract_band(0, n: bands).cast(:uchar), id: "x")

      assert_equal [2, depth, 0x20], [bytes.getbyte(2), bytes.getbyte(16), bytes.getbyte(17) & 0x30]
      assert_equal [30, 20, 10, 40].first(bands), bytes.byteslice(19, bands).bytes
      assert_equal 19 + (6 * bands), bytes.bytesize
    end
  end

  it "writes SVG that librsvg draws as our PNG, in mm where they are known, a group an island" do
    drawing = scene.call(marks: %w[names arrows twins], fill: "tint", seam_dash: "dashed")
    svg = formats::Drawings.call(drawing, "svg", px_per_mm: 2.0, label: label)
    path = write("a.svg", svg)
    told("rsvg-convert", "-w", "512", "-h", "512", path, "-o", "#{path}.png")
    mean, much = differ(drawing.to_image, Vips::Image.new_from_file("#{path}.png"))

    assert_operator mean, :<, 1.5
    assert_operator much, :<, 0.005
    document = Nokogiri.XML(svg, &:strict)

    assert_equal %w[256mm 256mm], document.root.attributes.values_at("width", "height").map(&:value)
    assert_equal job.island_names, document.css("g[id^=island] > title").map(&:text)
    assert_equal "7KQ2-M9TX", formats::Label.code(svg)
    assert_equal "Caddy & co", document.at_css("svg > title").text
    cut = Nokogiri.XML(formats::Drawings.call(drawing, "svg", hairlines: true))

    assert_equal ["0.1"], cut.css("path.cut").map { |own| own["stroke-width"] }.uniq
  end

  it "writes PDF of the true size that poppler draws as our PNG" do
    drawing = scene.call(marks: %w[names], fill: "tint")
    path = write("a.pdf", formats::Drawings.call(drawing, "pdf", px_per_mm: 2.0, label: label))
    points =
      told("pdfinfo", path)[/Page size:\s+([\d.]+) x ([\d.]+)/] &&
        [Regexp.last_match(1), Regexp.last_match(2)].map(&:to_f)

    points.each { |own| assert_in_delta 256, own / 72 * 25.4, 0.1 }
    assert_match(/sheet-trace:7KQ2-M9TX/, told("pdfinfo", path))
    told("pdftoppm", "-r", "50.8", "-png", "-singlefile", path, "#{path}-page")
    # poppler draws thin lines a px wide and on whole px: what is left of that at half the size.
    page, own =
      [Vips::Image.new_from_file("#{path}-page.png"), drawing.to_image].map { |image| pixels(image).shrink(2, 2) }
    mean, much = differ(own, page)

    assert_operator mean, :<, 4
    assert_operator much, :<, 0.02
  end

  it "spreads a PDF over pages of paper that share a strip, with marks" do
    path = write("a.pdf", formats::Drawings.call(scene.call, "pdf", px_per_mm: 1.0, label: label, paper: "a4"))
    # 512 mm: A4 lying has room for 277 x 190 mm, of which 8 are shared: 2 across and 3 down; upright 3 and 2.
    assert_match(/Pages:\s+6/, told("pdfinfo", path))
    assert_match(/Page size:\s+(595.276 x 841.89|841.89 x 595.276)/, told("pdfinfo", path))
  end

  it "refuses what a format can't hold, and names those that can" do
    large = SheetTrace::Drawing::Scene.new(width_px: 16_384, height_px: 16_384, groups: [])
    %w[tga ora webp].each do |kind|
      error = assert_raises(SheetTrace::LimitError) { formats::Drawings.call(large, kind) }

      assert_match(/16384 x 16384 px are too much for #{kind.upcase}; .* PNG, TIFF, SVG or PDF/, error.message)
    end
  end

  # OpenRaster: mimetype first and stored, stack.xml, mergedimage.png, Thumbnails/thumbnail.png of 256 px at most.
  it "writes OpenRaster ready to be painted, as its specification has it" do
    bytes = formats::Drawings.call(scene.call, "ora", px_per_mm: 2.0, label: label)

    assert_equal ["PK\x03\x04".b, 0, "mimetypeimage/openraster"], [bytes[0, 4], bytes[8, 2].unpack1("v"), bytes[30, 24]]
    document = formats::OpenRaster::Reader.call(bytes, name: "a.ora")

    assert_equal [512, 512, %w[Guide Colour White]],
                 [document.width_px, document.height_px, document.layers.map(&:first)]
    files = formats::Zip::Reader.call(bytes, name: "a.ora")
    guide = Nokogiri.XML(files["stack.xml"]).at_css("layer[name=Guide]")

    assert_equal %w[svg:multiply true], [guide["composite-op"], guide["edit-locked"]]
    assert_operator Vips::Image.new_from_buffer(files["Thumbnails/thumbnail.png"], "").width, :<=, 256
    assert_in_delta 0, differ(scene.call.to_image, Vips::Image.new_from_buffer(files["mergedimage.png"], ""))[0], 0.02
    assert_equal "7KQ2-M9TX", formats::Label.code(bytes)
  end

  it "keeps the colours of a picture under the lines to the level" do
    under = (Vips::Image.black(512, 512, bands: 4) + [47, 90, 69, 255]).cast(:uchar).copy(interpretation: :srgb)
    size = SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 512)
    drawing = SheetTrace::Trace::Template.call(job.layout, size: size, under: under)

    assert_equal [47, 90, 69, 255], drawing.to_image.getpoint(500, 500)
    path = write("u.pdf", formats::Drawings.call(drawing, "pdf", px_per_mm: 2.0))
    told("pdftoppm", "-r", "50.8", "-png", "-singlefile", path, "#{path}-page")

    assert_equal [47, 90, 69], Vips::Image.new_from_file("#{path}-page.png").getpoint(500, 500)
  end
end
