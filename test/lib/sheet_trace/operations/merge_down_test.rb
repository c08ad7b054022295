# frozen_string_literal: true

require_relative "../../../test_helper"

describe "layers that are merged, parted, grouped and painted by" do
  job = Models.job(Models.panel, width_px: 320, height_px: 320)
  # A skin over a flat ground, and a label with a transparent rim over both.
  define_method(:stacked) do |blend: "normal"|
    base = operate(job, "add_layer", id: "base", name: "Base", content: { kind: "fill", color: "#406080" }).job
    skin = operate(base, "add_layer", id: "skin", name: "Skin", content: { kind: "picture", picture: "64x64" }).job
    skin = operate(skin, "change_layer", id: "skin", opacity: 0.7, blend: blend).job
    operate(
      skin,
      "add_layer",
      id: "label",
      name: "Label",
      content: {
        kind: "lettering",
        text: "Regatta"
      },
      place: {
        kind: "island",
        island: 0,
        width_mm: 60.0,
        turn_deg: 20
      }
    ).job
  end
  noise =
    Vips::Image.gaussnoise(64, 64, mean: 120, sigma: 60).bandjoin([140, 90]).cast(:uchar).copy(interpretation: :srgb)
  bytes = noise.pngsave_buffer
  define_method(:composed) do |state, size: state.sheet, **rest|
    canvas = state.canvas(size: size, pictures: ->(_digest) { bytes })
    SheetTrace::Artwork::Compose.pixels(state.artwork, canvas, **rest)
  end

  it "shows a merged layer as its layers showed, at any size, and brings them back as they were" do
    own = stacked
    merged = operate(operate(own, "merge_down", id: "label").job, "merge_down", id: "skin").job

    assert_equal ["Base"], merged.artwork.layers.map(&:name)
    [own.sheet, SheetTrace::Layout::Sheet.new(width_px: 333, height_px: 257)].each do |size|
      # To two levels: what lies between is rounded once more, in colour and in alpha.
      apart = Numo::Int16.cast(Numo::UInt8.from_binary(composed(own, size: size).to_binary))
      whole = Numo::Int16.cast(Numo::UInt8.from_binary(composed(merged, size: size).to_binary))

      assert_operator (apart - whole).abs.max, :<=, 2
    end
    back = operate(operate(merged, "part_layers", id: "base").job, "part_layers", id: "skin").job

    assert_equal own.artwork.to_plain, back.artwork.to_plain
    again = SheetTrace::Job::Snapshot.dump(merged)
    read =
      SheetTrace::Job::Snapshot.load(
        JSON.parse(JSON.generate(again.document), symbolize_names: true),
        again.blobs.method(:fetch)
      )

    assert_equal merged.artwork, read.job.artwork
  end

  it "lays what was merged as its lower layer was laid" do
    multiplied = operate(stacked(blend: "multiply"), "merge_down", id: "label").job

    assert_equal %w[normal multiply], multiplied.artwork.layers.map { |layer| layer.look.blend }
    assert_equal %w[normal normal], multiplied.artwork.layers.last.content.layers.map { |layer| layer.look.blend }
  end

  it "keeps what editions replace of either layer, merged and parted again" do
    own = operate(stacked, "add_edition", name: "Second").job
    own =
      operate(own, "replace_in_edition", id: "label", edition: 1, content: { kind: "lettering", text: "Lantern" }).job
    own = operate(own, "replace_in_edition", id: "skin", edition: 1, visible: false).job
    merged = operate(own, "merge_down", id: "label").job
    sheets = [own, merged].map { |state| [0, 1].map { |edition| composed(state, edition: edition) } }

    [0, 1].each do |edition|
      levels = sheets.map { |pair| Numo::Int16.cast(Numo::UInt8.from_binary(pair[edition].to_binary)) }

      assert_operator (levels[0] - levels[1]).abs.max, :<=, 2
    end
    refute_equal(*sheets[1])
    assert_equal own.artwork.editions, operate(merged, "part_layers", id: "skin").job.artwork.editions
  end

  it "goes along to another map, its labels with their islands" do
    merged = operate(stacked, "merge_down", id: "label").job
    twice = operate(merged, "subdivide_faces", faces: [0]).job
    layers = twice.artwork.layers.last.content.layers

    assert_equal [nil, 0], layers.map { |layer| layer.place.island }
    assert_equal({ 0 => ["Label"] }, twice.artwork.on_islands.transform_values { |own| own.map(&:name) })
  end

  it "refuses to merge what can't be, and to put a merged layer elsewhere" do
    own = stacked
    locked = operate(own, "change_layer", id: "skin", locked: true).job
    guide = operate(own, "add_guide").job

    [
      [own, { id: "base" }, /Base is the lowest layer/],
      [locked, { id: "label" }, /Skin is locked/],
      [guide, { id: guide.artwork.layers.last.id }, /Guide is locked/]
    ].each do |state, parameters, message|
      assert_refused(SheetTrace::InvalidOperationError, message: message) { operate(state, "merge_down", **parameters) }
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /one layer/) { operate(own, "part_layers", id: "base") }
    merged = operate(own, "merge_down", id: "skin").job

    assert_refused(SheetTrace::InvalidOperationError, message: /made for the whole sheet/) do
      operate(merged, "change_layer", id: "base", place: { kind: "island", island: 0, width_mm: 10 })
    end
  end

  it "shows the guide at work alone, as the layout is now, and delivers it never" do
    own = stacked
    guided = operate(own, "add_guide", line_px: 3).job

    assert_equal composed(own), composed(guided)
    refute_equal composed(guided), composed(guided, guides: true)
    corner = guided.layout.points_px[0, true].to_a.map(&:round)
    moved = operate(guided, "transform_islands", islands: [0], move_px: [200, 0]).job
    at = ->(state, dx) { composed(state, guides: true)[corner[1] - 20, corner[0] + dx] }

    refute_equal composed(own)[corner[1] - 20, corner[0]], at.call(guided, 0)
    refute_equal composed(own)[corner[1] - 20, corner[0] + 200], at.call(moved, 200)
    assert_refused(SheetTrace::InvalidOperationError, message: /guide already/) { operate(guided, "add_guide") }
    assert_refused(SheetTrace::InvalidOperationError, message: /locked/) do
      operate(guided, "remove_layer", id: guided.artwork.layers.last.id)
    end
  end

  it "groups layers below the highest of them, and hides, fades and locks them as one" do
    own = operate(stacked, "group_layers", ids: %w[base label], group: "Print").job

    assert_equal %w[skin base label], own.artwork.layers.map(&:id)
    hidden = operate(own, "change_group", group: "Print", visible: false).job
    alone =
      operate(
        operate(own, "change_layer", id: "base", visible: false).job,
        "change_layer",
        id: "label",
        visible: false
      ).job

    assert_equal composed(alone), composed(hidden)
    assert hidden.artwork.layer("base").look.visible
    faded = operate(own, "change_group", group: "Print", opacity: 0.5).job
    each = %w[base label].reduce(own) { |state, id| operate(state, "change_layer", id: id, opacity: 0.5).job }

    assert_equal composed(each), composed(faded)
    locked = operate(own, "change_group", group: "Print", locked: true).job

    assert_refused(SheetTrace::InvalidOperationError, message: /Label is locked/) do
      operate(locked, "change_layer", id: "label", opacity: 0.1)
    end
    assert_equal "Lid", operate(own, "change_group", group: "Print", name: "Lid").job.artwork.layer("label").group
  end

  it "keeps a group together whatever is moved, and without layers there is none" do
    own = operate(stacked, "group_layers", ids: %w[base label]).job

    assert_equal ["Group 1"], own.artwork.groups.map(&:name)
    between = operate(own, "move_layer", id: "skin", to: 1).job

    assert_equal ["Group 1"] * 3, between.artwork.layers.map(&:group)
    above = operate(own, "change_group", group: "Group 1", to: 0).job

    assert_equal %w[base label skin], above.artwork.layers.map(&:id)
    out = operate(own, "group_layers", ids: %w[base label], group: "").job

    assert_empty out.artwork.groups
    assert_equal [nil], out.artwork.layers.map(&:group).uniq
    assert_empty operate(operate(own, "remove_layer", id: "base").job, "remove_layer", id: "label").job.artwork.groups
  end

  it "copies a layer for one edition alone" do
    own = operate(stacked, "add_edition", name: "Second").job
    copied = operate(own, "duplicate_layer", id: "label", edition: "Second").job

    assert_equal([false, true], [0, 1].map { |edition| copied.artwork.worn(edition).last.look.visible })
    assert_equal composed(own, edition: 0), composed(copied, edition: 0)
  end
end
