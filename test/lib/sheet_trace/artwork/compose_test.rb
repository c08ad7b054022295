# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::Compose do
  plain =
    lambda do |color, side|
      Vips::Image
        .black(side, side, bands: 3)
        .new_from_image(color)
        .cast(:uchar)
        .copy(interpretation: :srgb)
        .pngsave_buffer
    end
  noise = Vips::Image.gaussnoise(64, 64).cast(:uchar).bandjoin([77, 200]).cast(:uchar).copy(interpretation: :srgb)
  pictures = {
    "noise" => noise.pngsave_buffer,
    "red" => plain.call([255, 0, 0], 64),
    "blue" => plain.call([0, 0, 255], 32)
  }
  job =
    Models.job(Models.panel(uvs: [[0.25, 0.25], [0.75, 0.25], [0.75, 0.75], [0.25, 0.75]]), width_px: 64, height_px: 64)
  skins =
    lambda do |*names, **look|
      names.map do |name|
        Models.skin(
          name,
          SheetTrace::Artwork::PictureFile.of_bytes(pictures.fetch(name), name: name, digest: name),
          **look
        )
      end
    end
  compose =
    lambda do |layers, bleed_px: 0|
      SheetTrace::Artwork::Compose.call(
        SheetTrace::Artwork::Stack.new(layers: layers, bleed_px: bleed_px),
        job.canvas(pictures: pictures.method(:fetch))
      )
    end

  it "passes a skin of the sheet's size through to the byte" do
    assert_equal noise.bandjoin(255).write_to_memory, compose.call(skins.call("noise")).write_to_memory
  end

  it "lays the later layer over the earlier" do
    assert_equal [0, 0, 255, 255], compose.call(skins.call("red", "blue")).getpoint(30, 30)
  end

  # W3C, Compositing and Blending Level 1, 5.1: co = cs as + cb ab (1 - as), here 0.5 of blue over red.
  it "blends by opacity" do
    image = compose.call([*skins.call("red"), *skins.call("blue", opacity: 0.5)]).getpoint(30, 30)

    [127, 0, 128, 255].zip(image) { |expected, got| assert_in_delta expected, got, 1 } # 8-bit rounding
  end

  it "leaves hidden layers out, and is transparent without layers" do
    assert_equal [0, 0, 0, 0], compose.call(skins.call("red", visible: false)).getpoint(30, 30)
    assert_equal 0, compose.call([]).max
  end

  it "carries the colour of an island's rim outwards by the bleed" do
    half =
      Vips::Image
        .black(64, 64, bands: 4)
        .draw_rect([10, 20, 30, 255], 16, 16, 32, 32, fill: true)
        .cast(:uchar)
        .copy(interpretation: :srgb)
    pictures["half"] = half.pngsave_buffer
    image = compose.call(skins.call("half"), bleed_px: 4)

    assert_equal [10, 20, 30, 255], image.getpoint(12, 30)
    assert_equal [0, 0, 0, 0], image.getpoint(11, 30)
    assert_equal [10, 20, 30, 255], image.getpoint(51, 30)
  end
end
