# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"
require "open3"

describe SheetTrace::Job::FlatVectors do
  before { @folder = Dir.mktmpdir }
  after { FileUtils.remove_entry(@folder) }

  artwork = SheetTrace::Artwork
  drawing = <<~SVG
    <svg xmlns="http://www.w3.org/2000/svg" width="40" height="30">
      <defs><linearGradient id="g"><stop stop-color="#c02010"/><stop offset="1" stop-color="#1030a0"/></linearGradient></defs>
      <rect width="40" height="30" fill="url(#g)"/><circle cx="20" cy="15" r="9" fill="#f0d060"/>
    </svg>
  SVG
  layer =
    lambda do |id, content, look: {}, **place|
      artwork::Layer.new(
        id: id,
        name: id,
        content: content,
        place: artwork::Places::OnIsland.new(island: 0, **place),
        look: artwork::Look.new(**look)
      )
    end
  svg = lambda { |bytes| artwork::Contents::Picture.new(picture: artwork::PictureFile.of_bytes(bytes, name: "d.svg")) }
  letters = ->(text, **more) { artwork::Contents::Lettering.new(text: text, color: "#204060", **more) }
  dressed = ->(layers, job = Models.job(Demo::TeaCaddy.obj)) { job.with(artwork: job.artwork.with(layers: layers)) }
  pictures = { Digest::SHA256.hexdigest(drawing) => drawing }.method(:fetch)

  define_method(:print) do |job, **options|
    SheetTrace::Job::PrintFile.call(job, title: "Caddy", pictures: pictures, island: 0, **options)
  end
  define_method(:written) do |job, name: "p", **options|
    File.join(@folder, "#{name}.pdf").tap { |path| File.binwrite(path, print(job, **options)) }
  end
  define_method(:told) do |*command|
    output, status = Open3.capture2e(*command)

    assert_predicate status, :success?, output
    output
  end
  define_method(:page) do |path, dpi|
    told("pdftoppm", "-r", dpi.to_s, "-png", "-singlefile", path, "#{path}-page")
    Vips::Image.new_from_file("#{path}-page.png")
  end
  define_method(:images) { |path| told("pdfimages", "-list", path).lines.drop(2).size }

  it "prints lettering and drawings without px, though the rest is px" do
    own = [
      layer.call("d", svg.call(drawing), width_mm: 50.0, y_mm: 20.0, turn_rad: 0.3),
      layer.call("l", letters.call("Quillhaven\nregatta", leading: 0.9, tracking: 0.05), width_mm: 60.0, y_mm: -30.0)
    ]

    assert_equal 0, images(written(dressed.call(own), bleed_mm: 0.0))
    document = Nokogiri.XML(print(dressed.call(own), bleed_mm: 0.0, format: "svg"), &:strict)

    assert_empty document.css("image")
    assert_equal 2, document.css("g#art-1 > g").size
    names = document.xpath("//@id").map(&:value)

    assert_equal names.uniq, names
    fill =
      artwork::Layer.new(
        id: "f",
        name: "f",
        content: artwork::Contents::Fill.new(color: "#eee8d8"),
        place: artwork::Places::OnSheet.new
      )

    assert_equal 1, images(written(dressed.call([fill, *own]), bleed_mm: 0.0))
  end

  # The mean and the largest difference of two pages of one size, levels. Edges of px are as wide as these.
  define_method(:differences) do |paths|
    first, second = paths.map { |path| page(path, 120).cast(:float) }
    off = (first - second).abs

    assert_operator (first - 255).abs.max, :>, 100
    [off.avg, off.gaussblur(3).max]
  end

  panel = Models.job(Models.panel(width: 20, height: 30))
  drum = Models.job(Models.cone(low: 5.0, high: 5.0, height: 14.0))
  shade = Models.job(Models.cone(low: 9.0, high: 5.0, height: 16.0))
  {
    "turned, cropped, past the trim" => [
      panel,
      svg.call(drawing).with(crop: [0.1, 0.2, 0.8, 0.9]),
      { width_mm: 12.0, x_mm: 5.8, turn_rad: 0.7 }
    ],
    "in lines, dimmed" => [
      panel,
      letters.call("Aft\nOar", align: "right", leading: 0.8, outline: 0.08, font: "Oswald Bold"),
      { width_mm: 12.0, turn_rad: -1.2 },
      { opacity: 0.5 }
    ],
    "bent and pulled" => [
      panel,
      letters.call("Lantern"),
      { width_mm: 15.0, bend_rad: 1.5, corners: [0.1, 0.0, -0.1, 0.05, 0.0, 0.0, 0.0, 0.1] }
    ],
    "along a rim" => [shade, letters.call("Lantern"), { width_mm: 25.0, along: "rim" }],
    "past the join of a band" => [drum, svg.call(drawing), { width_mm: 16.0, x_mm: -10.0 }, {}, { overlap_mm: 6.0 }]
  }.each do |name, (job, content, place, look, options)|
    it "shows what it shows as px: #{name}" do
      lines = layer.call("l", content, look: look || {}, **place)
      # A mask that leaves all makes px of it.
      px = lines.with(look: lines.look.with(mask: artwork::Mask.new(islands: [0])))
      paths =
        { "lines" => lines, "px" => px }.map do |kind, own|
          written(dressed.call([own], job), name: kind, dpi: 240.0, **options.to_h)
        end
      mean, most = differences(paths)

      assert_operator mean, :<, 1.0
      assert_operator most, :<, 60
    end
  end

  it "leaves as px what is mixed with what is below it, and what librsvg makes px of" do
    over = layer.call("o", letters.call("Over"), width_mm: 30.0)
    blended = layer.call("b", letters.call("Mixed"), look: { blend: "multiply" }, width_mm: 40.0)
    blurred = drawing.sub("<defs>", '<defs><filter id="f"><feGaussianBlur stdDeviation="2"/></filter>')
    held = ->(layers, job = dressed.call(layers)) do
      SheetTrace::Job::FlatVectors.new(job, 0, px_per_mm: 10.0, pictures: ->(_digest) { blurred }).call(layers)
    end

    assert_equal [false, false, true], held.call([over, blended, over])
    assert_equal [false], held.call([layer.call("d", svg.call(blurred), width_mm: 30.0)])
    bent = layer.call("d", svg.call(drawing), width_mm: 30.0, bend_rad: 1.0)
    job = dressed.call([bent])

    assert_equal [false], SheetTrace::Job::FlatVectors.new(job, 0, px_per_mm: 10.0, pictures: pictures).call([bent])
    elsewhere = over.with(place: over.place.with(island: 1))

    assert_equal [false], held.call([elsewhere])
    linear = dressed.call([over]).then { |own| own.with(artwork: own.artwork.with(linear: true)) }

    assert_equal [false], held.call([over], linear)
  end
end
