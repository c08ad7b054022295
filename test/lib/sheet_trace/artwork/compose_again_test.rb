# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

# A sheet is composed only where it differs from the last one: it must be what composing all of it gives.
describe SheetTrace::Artwork::Compose do
  noise =
    lambda do |width, height, seed|
      bands =
        Array.new(4) { |band| Vips::Image.gaussnoise(width, height, mean: 128, sigma: 60, seed: (seed * 4) + band) }
      bands.first.bandjoin(bands.drop(1)).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    end
  pictures = { "skin.png" => noise.call(90, 70, 1), "label.png" => noise.call(40, 30, 2) }
  files = pictures.to_h { |name, bytes| [name, SheetTrace::Artwork::PictureFile.of_bytes(bytes, name: name)] }
  by_digest = files.to_h { |name, file| [file.digest, pictures[name]] }

  change =
    lambda do |job, name, **parameters|
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_plain(name, parameters),
        job,
        pictures: ->(digest) { files.values.find { |file| file.digest == digest } }
      ).job
    end
  composed =
    lambda do |job|
      SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: by_digest.method(:fetch))).write_to_memory
    end
  # The same job with nothing kept.
  afresh = ->(job) { SheetTrace::Job.new(**SheetTrace::Job::Parts::ALL.keys.to_h { |part| [part, job.part(part)] }) }

  it "decodes a small picture once, however often what shows it is moved" do
    job = SheetTrace::Job.start(SheetTrace::Formats.read(Demo::TeaCaddy.obj, name: "c.obj"), source_name: "c.obj")
    job = change.call(job, "place_picture", picture: files["label.png"].digest, island: 0, turn_deg: 20.0)
    reads = 0
    read = ->(digest) { by_digest.fetch(digest).tap { reads += 1 } }
    3.times do |i|
      SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: read))
      job = change.call(job, "change_layer", id: "layer-1", place: { x_mm: 20.0 + i })
    end

    assert_equal 1, reads
  end

  steps =
    lambda do |random|
      [
        -> do
          ["transform_islands", { islands: [random.rand(6)], move_px: [random.rand(-40..40), random.rand(-40..40)] }]
        end,
        -> { ["transform_islands", { islands: [random.rand(6)], turn_deg: 90.0 * random.rand(1..3) }] },
        -> { ["transform_islands", { islands: [0, 3], move_px: [0.37, -0.81] }] },
        -> { ["change_layer", { id: "layer-2", opacity: random.rand.round(2) }] },
        -> { ["change_layer", { id: "layer-1", visible: random.rand < 0.5 }] },
        -> { ["move_layer", { id: "layer-2", to: random.rand(3) }] },
        -> { ["set_bleed", { bleed_px: random.rand(0..6) }] },
        # Round a corner of the caddy, so that it lies on islands far apart.
        -> { ["change_layer", { id: "decal", place: { face: 0, at: [35.0, random.rand(30.0..90.0), 25.0] } }] }
      ]
    end

  # The caddy with labels, a decal, and a skin or a fill below.
  dressed =
    lambda do |skinned|
      job = SheetTrace::Job.start(SheetTrace::Formats.read(Demo::TeaCaddy.obj, name: "c.obj"), source_name: "c.obj")
      job = change.call(job, "resize_sheet", width_px: 157, height_px: 131)
      below =
        if skinned
          { content: { kind: "picture", picture: files["skin.png"].digest }, place: { kind: "sheet" } }
        else
          { content: { kind: "fill", color: "#206080" }, place: { kind: "sheet" }, islands: [1] }
        end
      job = change.call(job, "add_layer", **below)
      2.times do |i|
        job = change.call(job, "place_picture", picture: files["label.png"].digest, island: i, turn_deg: 20.0 * i)
      end
      decal = { picture: files["label.png"].digest, kind: "picture" }
      place = { kind: "surface", face: 0, at: [35.0, 60.0, 25.0], width_mm: 40 }
      change.call(job, "add_layer", id: "decal", content: decal, place: place)
    end

  [false, true].each do |skinned|
    it "gives after each change what composing everything gives#{", with a skin below" if skinned}" do
      random = Random.new(skinned ? 1 : 2)
      job = dressed.call(skinned)
      composed.call(job)
      8.times do |round|
        name, parameters = steps.call(random).sample(random: random).call
        job = change.call(job, name, **parameters)

        assert_equal composed.call(afresh.call(job)), composed.call(job), "round #{round}: #{name} #{parameters}"
      end
    end
  end

  # With all that a layer can be: each content and place, masks, what is merged and what is made of what is below it.
  # Places lie so that the sheet's middle lines go through them.
  motley =
    lambda do
      at = { face: 0, at: [35.0, 60.0, 25.0] }
      label = { kind: "picture", picture: files["label.png"].digest }
      words = { kind: "lettering", text: "Quillhaven", outline: 0.1 }
      shades = { kind: "gradient", color: "#ff0000", to: "#0000ff" }
      job = change.call(dressed.call(true), "set_bleed", bleed_px: 5)
      [
        { content: shades, place: { kind: "side" } },
        { content: label, place: { kind: "sheet", box: [0.13, 0.17, 0.71, 0.66] }, islands: [0, 1, 2] },
        { content: words, place: { kind: "sheet", box: [0.0, 0.25, 1.0, 0.5] } },
        { content: words, place: { kind: "island", island: 1, width_mm: 40, bend_deg: 60 } },
        { content: shades, place: { kind: "level", **at, height_mm: 9 } },
        { content: { **shades, round: true }, place: { kind: "sheet" } },
        { id: "seams", content: { kind: "seam_blend", width_mm: 4 } }
      ].each { |layer| job = change.call(job, "add_layer", opacity: 0.6, **layer) }
      change.call(job, "merge_down", id: "seams")
    end

  # With other bounds for what is composed at once and what is shared.
  def with_bounds(bounds)
    compose = SheetTrace::Artwork::Compose
    set =
      lambda do |values|
        values.each do |name, value|
          compose.send(:remove_const, name)
          compose.const_set(name, value)
          compose.send(:private_constant, name)
        end
      end
    former = bounds.to_h { |name, _value| [name, compose.send(:const_get, name)] }
    set.call(bounds)
    yield
  ensure
    set.call(former)
  end

  it "gives in parts, some of them from elsewhere or none, what it gives at once" do
    job = motley.call
    at_once = composed.call(afresh.call(job))

    with_bounds(AT_ONCE_PX: 9000) { assert_equal at_once, composed.call(afresh.call(job)) }

    asked = []
    other = afresh.call(job).canvas(pictures: by_digest.method(:fetch))
    there =
      lambda do |box|
        asked << box
        SheetTrace::Artwork::Compose.part(job.artwork, other, box)
      end
    answers = { "always" => there, "once" => ->(box) { there.call(box) if asked.empty? }, "never" => ->(_box) {} }
    answers.each do |name, elsewhere|
      asked.clear
      with_bounds(SHARED_PX: 1000) do
        own = afresh.call(job)
        canvas = own.canvas(pictures: by_digest.method(:fetch))
        sheet = SheetTrace::Artwork::Compose.call(own.artwork, canvas, elsewhere: elsewhere)

        assert_equal at_once, sheet.write_to_memory, name
      end
      assert_equal name == "never", asked.empty?
    end
  end

  it "gives in parts what it gives at once, where most of the sheet is bare" do
    job = change.call(dressed.call(false), "set_bleed", bleed_px: 5)
    job = change.call(job, "change_layer", id: "layer-1", opacity: 0.7)
    at_once = composed.call(afresh.call(job))
    in_parts = with_bounds(AT_ONCE_PX: 9000) { composed.call(afresh.call(job)) }
    levels = [at_once, in_parts].map { |bytes| Numo::Int32.cast(Numo::UInt8.from_binary(bytes)) }.reduce(:-).abs

    # Half a level, as an edge that covers a texel in part may come to, is rounded by where the part begins.
    assert_operator levels.max, :<=, 1
    assert_operator levels.sum, :<, 10
  end

  it "says what went wrong elsewhere" do
    job = dressed.call(true)
    canvas = job.canvas(pictures: by_digest.method(:fetch))

    with_bounds(SHARED_PX: 1000) do
      assert_raises(IOError) do
        SheetTrace::Artwork::Compose.call(job.artwork, canvas, elsewhere: ->(_box) { raise IOError })
      end
    end
  end
end
