# frozen_string_literal: true

require_relative "../../../test_helper"

describe "layers of content, place and look" do
  # Two panels of two materials and parts beside each other: 16 to 32 and 40 to 56 px across, 16 to 48 px down, of a
  # sheet of 64 px.
  job =
    Models.job(
      [
        "o left",
        "usemtl tin",
        "v 0 0 0",
        "v 20 0 0",
        "v 20 40 0",
        "v 0 40 0",
        "vt .25 .25",
        "vt .5 .25",
        "vt .5 .75",
        "vt .25 .75",
        "f 1/1 2/2 3/3 4/4",
        "o right",
        "usemtl card",
        "v 30 0 0",
        "v 50 0 0",
        "v 50 40 0",
        "v 30 40 0",
        "vt .625 .25",
        "vt .875 .25",
        "vt .875 .75",
        "vt .625 .75",
        "f 5/5 6/6 7/7 8/8"
      ].join("\n"),
      width_px: 64,
      height_px: 64
    )
  flat =
    lambda do |color, side = 16|
      Vips::Image
        .black(side, side, bands: 3)
        .new_from_image(color)
        .cast(:uchar)
        .copy(interpretation: :srgb)
        .pngsave_buffer
    end
  compose =
    lambda do |state, bytes = nil, bleed_px: 0|
      SheetTrace::Artwork::Compose.call(
        state.artwork.with(bleed_px: bleed_px),
        state.canvas(pictures: ->(_digest) { bytes })
      )
    end
  pixels = ->(image) { SheetTrace::Artwork::Picture.pixels(image) }
  covered = ->(image) { pixels.call(image)[true, true, 3].gt(0) }
  box = ->(left, right) { Numo::Bit.zeros(64, 64).tap { |bits| bits[16...48, left...right] = 1 } }

  {
    {} => Numo::Bit.ones(64, 64),
    { islands: [0] } => box.call(16, 32),
    { parts: ["right"] } => box.call(40, 56),
    { materials: ["tin"] } => box.call(16, 32),
    { faces: [1] } => box.call(40, 56),
    { islands: [0], faces: [1] } => box.call(16, 32) | box.call(40, 56)
  }.each do |mask, wanted|
    it "fills #{mask.empty? ? "the sheet" : "what a mask of #{mask.keys.join(" and ")} names"} with exactly its colour" do
      image = compose.call(operate(job, "add_layer", content: { kind: "fill", color: "#2f5a45" }, **mask).job)

      assert_equal wanted, covered.call(image)
      colors = pixels.call(image).reshape(4096, 4)[wanted.flatten.where, true].to_a.uniq

      assert_equal [[0x2f, 0x5a, 0x45, 255]], colors
    end
  end

  it "carries a fill past the rim by the bleed, and no farther" do
    filled = operate(job, "add_layer", content: { kind: "fill", color: "#102030" }, islands: [0]).job
    image = compose.call(filled, bleed_px: 3)

    assert_equal [16, 32, 48, 255], image.getpoint(13, 30)
    assert_equal [0, 0, 0, 0], image.getpoint(12, 30)
  end

  if job.island_names.include?("left Front")
    it "sets a fill on an island by its size, as a picture" do
      image =
        compose.call(
          operate(
            job,
            "add_layer",
            content: {
              kind: "fill",
              color: "#ff0000"
            },
            place: {
              kind: "island",
              island: "left Front",
              width_mm: 10
            }
          ).job
        )

      # 10 mm are 8 px of 0.8 px/mm: a square round the middle of the island, 24, 32.
      assert_equal 64, covered.call(image).count_true
      assert_equal [255, 0, 0, 255], image.getpoint(20, 28)
      assert_equal [255, 0, 0, 255], image.getpoint(27, 35)
    end
  end

  # A flat colour, placed at fractions of mm and turned, on islands that are stretched and turned on the sheet.
  seed = Random.new_seed
  it "keeps the colour of every texel that a picture touches, whole or in part, and bleeds it whole (seed #{seed})" do
    random = Random.new(seed)
    12.times do
      color = Array.new(3) { random.rand(256) }
      turned =
        operate(
          job,
          "transform_islands",
          islands: [0],
          turn_rad: random.rand(-3.0..3.0),
          scale: [random.rand(0.6..1.3), random.rand(0.6..1.3)],
          move_px: [random.rand(-1.0..1.0), random.rand(-1.0..1.0)]
        ).job
      placed =
        operate(
          turned,
          "place_picture",
          picture: "16x16",
          island: 0,
          width_mm: random.rand(6.0..30.0),
          x_mm: random.rand(-4.0..4.0),
          y_mm: random.rand(-9.0..9.0),
          turn_rad: random.rand(-3.0..3.0)
        ).job
      seen = pixels.call(compose.call(placed, flat.call(color), bleed_px: 4)).reshape(4096, 4)
      touched = seen[true, 3].gt(0).where

      assert_operator touched.size, :>, 4
      assert_equal [color], seen[touched, 0..2].to_a.uniq, "#{color} #{placed.artwork.layers.first.place.to_h}"
    end
  end

  it "leaves no half transparent rim where a picture is as large as its island, at fractions of px too" do
    [0, 0.25, 0.5, 0.75].each do |shift|
      moved = operate(job, "transform_islands", islands: [0], move_px: [shift, shift]).job
      placed = operate(moved, "place_picture", picture: "16x32", island: 0, width_mm: 20.0).job
      alpha = pixels.call(compose.call(placed, flat.call([9, 8, 7]), bleed_px: 2))[true, true, 3]

      assert_equal [0, 255], alpha.flatten.to_a.uniq.sort, "moved by #{shift} px"
    end
  end

  it "covers a texel by as much as lies in the picture" do
    # 10 mm are 8 px; moved by 0.25 mm, a fifth of a px.
    placed = operate(job, "place_picture", picture: "16x16", island: 0, width_mm: 10.0, x_mm: 0.25).job
    row = pixels.call(compose.call(placed, flat.call([200, 100, 50])))[32, 16...32, 3].to_a

    assert_equal [0, 0, 0, 0, 204, 255, 255, 255, 255, 255, 255, 255, 51, 0, 0, 0], row # 0.8 and 0.2 of 255
  end

  it "lets no colour of what is transparent into what is not" do
    # Half of it red, half of it green that is not to be seen.
    half =
      Vips::Image
        .black(16, 16, bands: 4)
        .draw_rect([255, 0, 0, 255], 0, 0, 8, 16, fill: true)
        .draw_rect([0, 255, 0, 0], 8, 0, 8, 16, fill: true)
    placed = operate(job, "place_picture", picture: "16x16", island: 0, width_mm: 13.7, x_mm: 0.3, turn_rad: 0.4).job
    seen =
      pixels.call(compose.call(placed, half.cast(:uchar).copy(interpretation: :srgb).pngsave_buffer)).reshape(4096, 4)

    assert_equal [[255, 0, 0]], seen[seen[true, 3].gt(0).where, 0..2].to_a.uniq
  end

  it "keeps layers, masks and editions through a document" do
    state = operate(job, "add_layer", content: { kind: "fill", color: "#112233" }, islands: [1]).job
    state = operate(state, "place_picture", picture: "16x16", island: 0, width_mm: 5, turn_rad: 0.25).job
    state =
      operate(
        operate(state, "add_edition", name: "Plum").job,
        "replace_in_edition",
        id: "layer-1",
        content: {
          kind: "fill",
          color: "#7b3f72"
        }
      ).job
    again =
      SheetTrace::Artwork::Stack.from_plain(JSON.parse(JSON.generate(state.artwork.to_plain), symbolize_names: true))

    assert_equal state.artwork, again
    assert_equal state.artwork.worn, again.worn
  end

  it "shows in each edition what it replaces, and the stack in the others" do
    state = operate(job, "add_layer", content: { kind: "fill", color: "#2f5a45" }, name: "Ground").job
    plum =
      operate(
        operate(state, "add_edition", name: "Plum").job,
        "replace_in_edition",
        id: "Ground",
        content: {
          kind: "fill",
          color: "#7b3f72"
        }
      ).job
    bare =
      operate(
        operate(plum, "add_edition", name: "Bare", like: "Plum").job,
        "replace_in_edition",
        id: "Ground",
        visible: false
      ).job
    shown = ->(edition) { compose.call(operate(bare, "show_edition", edition: edition).job).getpoint(5, 5) }

    assert_equal [[0x2f, 0x5a, 0x45, 255], [0x7b, 0x3f, 0x72, 255], [0, 0, 0, 0]],
                 ["First edition", "Plum", "Bare"].map(&shown)
    assert_equal [0x2f, 0x5a, 0x45, 255],
                 compose.call(operate(bare, "replace_in_edition", id: "Ground", restore: true).job).getpoint(5, 5)
    without = operate(bare, "remove_layer", id: "Ground").job

    assert_equal [{}] * 3, without.artwork.editions.map(&:replaced)
    assert_equal %w[Plum Bare], operate(bare, "remove_edition", edition: 0).job.artwork.editions.map(&:name)
  end

  it "leaves a locked layer as it is" do
    locked =
      operate(
        operate(job, "add_layer", content: { kind: "fill", color: "#2f5a45" }, name: "Ground").job,
        "change_layer",
        id: "Ground",
        locked: true
      ).job

    assert_refused(SheetTrace::InvalidOperationError, message: /Ground is locked/) do
      operate(locked, "change_layer", id: "Ground", opacity: 0.5)
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /Ground is locked/) do
      operate(locked, "remove_layer", id: "Ground")
    end
    assert_in_delta 0.5,
                    operate(locked, "change_layer", id: "Ground", locked: false, opacity: 0.5)
                      .job
                      .artwork
                      .layers
                      .first
                      .look
                      .opacity
  end
end
