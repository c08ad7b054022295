# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::Places::OnSheet do
  # Noise, in alpha too: where that is 0, in no colour.
  let(:image) do
    texels = Random.new(7).bytes(64 * 48 * 4).unpack("N*").map { |rgba| rgba.nobits?(255) ? 0 : rgba }
    Vips::Image.new_from_memory_copy(texels.pack("N*"), 64, 48, 4, :uchar).copy(interpretation: :srgb)
  end
  let(:skinned) do
    job = Models.job(Demo::TeaCaddy.obj, width_px: 64, height_px: 48)
    job = operate(job, "set_bleed", bleed_px: 0).job
    operate(job, "add_layer", content: { kind: "picture", picture: "64x48" }, place: { kind: "sheet" }).job
  end

  define_method(:composed) do |job|
    SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: ->(_) { image.write_to_buffer(".png") }))
  end

  define_method(:assert_same_texels) do |expected, image|
    assert_equal [expected.width, expected.height], [image.width, image.height]
    assert_equal 0, (expected - image).abs.max
  end

  define_method(:resized) do |job, width, height, anchor|
    operate(job, "resize_sheet", width_px: width, height_px: height, keep: "px", across: anchor, down: anchor).job
  end

  it "keeps a skin's texels, to the byte, where the sheet grows and islands keep their px" do
    { "start" => [0, 0], "middle" => [18, 26], "end" => [37, 52] }.each do |anchor, (left, top)|
      sheet = composed(resized(skinned, 101, 100, anchor))

      assert_same_texels image, sheet.crop(left, top, 64, 48)
      assert_in_delta image.extract_band(3).avg * 64 * 48, sheet.extract_band(3).avg * 101 * 100, 1e-3
    end
  end

  it "keeps what is left of a skin where the sheet shrinks, and all of it once it grows again" do
    small = resized(skinned, 40, 31, "end")

    assert_same_texels image.crop(24, 17, 40, 31), composed(small)
    assert_same_texels image, composed(resized(small, 64, 48, "end"))
  end

  it "keeps one colour at fractions of px: only how much of a texel is covered differs" do
    fill = SheetTrace::Artwork::Contents::Fill.new(color: "#c85028")
    place = SheetTrace::Artwork::Places::OnSheet.new(box: [0.1, 0.1, 0.33, 0.5])
    canvas = skinned.canvas(pictures: nil)
    pixels = fill.paint(place.frame(canvas, fill), canvas).image.to_a.flatten(1)

    assert_equal [[200, 80, 40]], pixels.map { |pixel| pixel.first(3) }.uniq
    assert_in_delta 0.33 * 0.5 * 64 * 48, pixels.sum { |pixel| pixel[3] } / 255.0, 2
  end

  it "has no frame in a box beside the sheet" do
    place = SheetTrace::Artwork::Places::OnSheet.new(box: [1.0, 0.0, 1.0, 1.0])

    assert_nil place.frame(skinned.canvas(pictures: nil), nil)
  end

  it "shows what a crop leaves, to the byte, in the proportions of that" do
    job = operate(skinned, "change_layer", id: "layer-1", content: { crop: [0.25, 0.0, 0.75, 0.5] }).job
    layer = job.artwork.layers.first

    assert_in_delta 32.0 / 24, layer.content.aspect, 1e-12
    half = operate(job, "change_layer", id: "layer-1", place: { box: [0.25, 0.0, 0.5, 0.5] }).job

    assert_same_texels image.crop(16, 0, 32, 24), composed(half).crop(16, 0, 32, 24)
    assert_equal layer.content, SheetTrace::Artwork::Contents::Picture.from_document(layer.content.to_document)
    assert_refused(SheetTrace::InvalidOperationError, message: /nothing of the picture is left/) do
      operate(skinned, "change_layer", id: "layer-1", content: { crop: [0.5, 0.0, 0.5, 1.0] })
    end
  end
end
