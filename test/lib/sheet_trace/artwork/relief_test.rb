# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::Relief do
  # A sheet of one row of greys, repeated downwards, or turned.
  define_method(:sheet) do |greys, turned: false|
    rows = turned ? greys.map { |grey| [grey] * greys.size } : [greys] * greys.size
    pixels = Numo::UInt8.cast(rows.flatten.map { |grey| [grey, grey, grey, 255] })
    SheetTrace::Artwork::Patch.image(pixels, greys.size, greys.size)
  end
  # CIE 015: L* of sRGB greys.
  define_method(:lightness) do |grey|
    share = grey / 255.0
    y = share <= 0.04045 ? share / 12.92 : (((share + 0.055) / 1.055)**2.4)
    y > (6.0 / 29)**3 ? ((116 * Math.cbrt(y)) - 16) / 100 : y * 903.3 / 100
  end
  define_method(:relief) { |**values| SheetTrace::Artwork::Relief.new(smooth_px: 0.0, **values) }

  it "reads heights off lightness, between the levels that are lowest and highest" do
    greys = [0, 64, 128, 192, 255]
    found = relief(low: 0.2, high: 0.8).levels(sheet(greys))

    greys.each_with_index do |grey, x|
      assert_in_delta ((lightness(grey) - 0.2) / 0.6).clamp(0, 1), found.getpoint(x, 2)[0], 0.002
    end
    picture = relief.picture("height", sheet(greys), px_per_mm: 1.0)

    assert_equal [:ushort, 1, 0, 65_535],
                 [picture.format, picture.bands, picture.getpoint(0, 0)[0], picture.getpoint(4, 0)[0].round]
  end

  it "gives the normals of a slope by arithmetic, to the right and downwards" do
    greys = [100, 110, 120, 130, 140]
    rise = lightness(130) - lightness(110)
    [false, true].each do |turned|
      # Heights of 1 mm at 4 px/mm; central difference over two px.
      slope = rise / 2 * 4
      length = Math.sqrt((slope**2) + 1)
      along = ((-slope / length) + 1) / 2 * 255
      down = ((slope / length) + 1) / 2 * 255
      found = relief(height_mm: 1.0).normals(sheet(greys, turned: turned), px_per_mm: 4.0).getpoint(2, 2)
      wanted = turned ? [127.5, down] : [along, 127.5]

      [*wanted, ((1 / length) + 1) / 2 * 255].zip(found) { |value, got| assert_in_delta value, got, 1.0 }
    end
  end

  it "takes specks out, smooths edges, and has what is unpainted lowest" do
    speck = [50] * 9
    image = sheet(speck).draw_rect([255, 255, 255, 255], 4, 4, 1, 1, fill: true)

    assert_operator relief.levels(image).getpoint(4, 4)[0], :>, 0.9
    assert_in_delta lightness(50), relief(noise_px: 1).levels(image).getpoint(4, 4)[0], 0.002
    edge = sheet(([0] * 8) + ([255] * 8))
    smooth = SheetTrace::Artwork::Relief.new(smooth_px: 4.0).levels(edge)

    assert_equal((0..15).map { |x| smooth.getpoint(x, 8)[0] }, (0..15).map { |x| smooth.getpoint(x, 8)[0] }.sort)
    assert_operator smooth.getpoint(6, 8)[0], :>, 0.05
    clear = Vips::Image.black(4, 4, bands: 4).copy(interpretation: :srgb) + [255, 255, 255, 0]

    assert_in_delta 0, relief.levels(clear.cast(:uchar)).max, 1e-9
  end

  it "raises what is near to a colour" do
    pixels = Numo::UInt8.cast([[232, 217, 166, 255], [47, 90, 69, 255]])
    found = relief(from: "color", color: "#e8d9a6", low: 0.6).levels(SheetTrace::Artwork::Patch.image(pixels, 2, 1))

    assert_in_delta 1.0, found.getpoint(0, 0)[0], 1e-4
    assert_in_delta 0.0, found.getpoint(1, 0)[0], 1e-4
  end

  it "is delivered beside the texture, named by the material, and in the GLB" do
    job = operate(Models.job(Models.panel), "add_layer", content: { kind: "fill", color: "#808080" }).job
    job = operate(job, "set_relief").job
    files = SheetTrace::Job::Deliver.call(job, pictures: nil, base_name: "panel")

    assert_includes files["panel.mtl"], "bump panel-height.png"
    assert_equal [1024, 1024, :ushort],
                 Vips::Image
                   .new_from_buffer(files["panel-height.png"], "")
                   .then { |own| [own.width, own.height, own.format] }
    glb = SheetTrace::Job::Deliver.call(job, pictures: nil, base_name: "panel", format: "glb")["panel.glb"]
    document = JSON.parse(glb.byteslice(20, glb.byteslice(12, 4).unpack1("V")))

    assert_equal "panel-normals",
                 document["images"][document["textures"][document["materials"][0]["normalTexture"]["index"]]["source"]][
                   "name"
                 ]
    assert_match(
      /no relief/,
      assert_raises(SheetTrace::InputError) { Models.job(Models.panel).relief_picture("height", nil, nil) }.message
    )
  end
end
