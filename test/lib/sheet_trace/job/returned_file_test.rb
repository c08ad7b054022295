# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Job::ReturnedFile do
  pictures = {}
  define_method(:picture) do |width, height, shade, name|
    bytes = (Vips::Image.black(width, height, bands: 3) + shade).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    SheetTrace::Artwork::PictureFile.of_bytes(bytes, name: name).tap { |file| pictures[file.digest] = [file, bytes] }
  end
  # Does what comes of a file.
  define_method(:returned) do |job, file, edition: nil|
    steps = SheetTrace::Job::ReturnedFile.call(job, *pictures.fetch(file.digest), edition: edition)
    steps.reduce(job) do |state, (name, parameters)|
      own = parameters.transform_values { |value| value == :layer ? state.artwork.layers.last.id : value }
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_plain(name, own),
        state,
        pictures: ->(digest) { pictures[digest]&.first }
      ).job
    end
  end
  let(:job) { Models.job(Models.panel) }

  it "lays what has the sheet's proportions over the sheet, and replaces it when it is saved again" do
    first = returned(job, picture(64, 64, 200, "skin.png"))

    assert_equal ["skin"], first.artwork.layers.map(&:name)
    again = returned(first, picture(64, 64, 100, "skin.png"))

    assert_equal 1, again.artwork.layers.size
    refute_equal first.artwork, again.artwork
    assert_same again, returned(again, picture(64, 64, 100, "skin.png"))
    assert_equal 2, returned(again, picture(32, 32, 100, "other.png")).artwork.layers.size
  end

  it "replaces what a label shows, wherever it lies" do
    label = picture(64, 32, 30, "label.png")
    set =
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_plain(
          "place_picture",
          { picture: label.digest, island: 0, width_mm: 20.0, turn_deg: 30 }
        ),
        job,
        pictures: ->(digest) { pictures[digest]&.first }
      ).job
    again = returned(set, picture(64, 32, 60, "label.png"))

    assert_equal set.artwork.layers.first.place, again.artwork.layers.first.place
    refute_equal set.artwork.layers.first.content, again.artwork.layers.first.content
  end

  it "takes a sub-folder for an edition, which it adds where there is none" do
    first = returned(job, picture(64, 64, 200, "skin.png"))
    plum = returned(first, picture(64, 64, 90, "skin.png"), edition: "Plum")

    assert_equal ["First edition", "Plum"], plum.artwork.editions.map(&:name)
    assert_equal 1, plum.artwork.layers.size
    shown = [0, 1].map { |edition| plum.artwork.worn(edition).first.content.picture.digest }

    assert_equal 2, shown.uniq.size
    assert_same plum, returned(plum, picture(64, 64, 90, "skin.png"), edition: "plum")
    own = returned(plum, picture(64, 64, 10, "stars.png"), edition: "plum")

    assert_equal(
      [[true, false], [true, true]],
      [0, 1].map { |edition| own.artwork.worn(edition).map { |layer| layer.look.visible } }
    )
  end

  it "lands what was painted over a template on that, though the layout is another now" do
    traced = operate(job, "note_export", width_px: 256, height_px: 256, at: "2026-11-27T10:00:00Z").job
    moved = operate(traced, "transform_islands", islands: [0], move_px: [300, 0]).job
    bytes = (Vips::Image.black(256, 256, bands: 3) + 90).cast(:uchar).copy(interpretation: :srgb)
    label = SheetTrace::Formats::Label.new(title: "panel", code: SheetTrace::Trace::Code.call(job.layout))
    png = SheetTrace::Formats::Images.call(bytes, "png", label: label)
    file = SheetTrace::Artwork::PictureFile.of_bytes(png, name: "painted.png")
    pictures[file.digest] = [file, png]
    back = returned(moved, file)

    assert_equal SheetTrace::Trace::Code.call(job.layout), back.artwork.layers.last.place.painted_on
  end

  it "says of what has no place that it has none" do
    assert_refused(SheetTrace::InputError, { file: "odd.png" }, message: /not the proportions.*on Art/) do
      returned(job, picture(100, 30, 5, "odd.png"))
    end
  end
end
