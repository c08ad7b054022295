# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Operations::BringBack do
  let(:job) { operate(Models.job(Demo::TeaCaddy.obj), "set_bleed", bleed_px: 0).job }
  let(:chart) do
    SheetTrace::Artwork::TestChart.call(job.sheet, density_px_per_mm: job.density_px_per_mm, lettered: true)
  end

  def noted(job) = operate(job, "note_export", width_px: 1024, height_px: 1024, at: "2026-05-01T10:00:00Z").job

  def file(image, name: "painted.png", digest: "chart")
    SheetTrace::Artwork::PictureFile.new(digest: digest, name: name, width_px: image.width, height_px: image.height)
  end

  def brought_back(job, code, image = chart, **more)
    SheetTrace::Operations.run(
      SheetTrace::Operations.from_h("bring_back", { picture: "chart", layout: code }),
      job,
      pictures: ->(_name) { file(image, **more) }
    )
  end

  def sheet_of(job, image = chart)
    bytes = image.write_to_buffer(".png")
    size = job.sheet
    SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: ->(_digest) { bytes }, size: size))
  end

  # Differences of what is seen at many places of the surface, and how opaque they are now: read from the sheets by the
  # corners' places alone, bilinear, as a renderer reads.
  def differences(painted, now, images)
    random = Random.new(1)
    texels = images.map { |image| SheetTrace::Artwork::Picture.pixels(image) }
    spots =
      Array.new(3000) do
        a, b = [random.rand, random.rand].then { |pair| pair.sum > 1 ? pair.map { |share| 1 - share } : pair }
        [random.rand(painted.layout.uv_map.triangles.count), [1 - a - b, a, b]]
      end
    spots
      .select { |_triangle, shares| shares.min > 0.04 } # not beside seams
      .map do |spot|
        before, after = [painted, now].zip(texels).map { |job, own| read(job.layout, own, *spot) }
        [(before - after)[0..2].abs.mean, after[3]]
      end
      .transpose
  end

  def read(layout, texels, triangle, shares)
    corners = layout.points_px[layout.uv_map.triangles.points[triangle, true], true]
    x, y = [0, 1].map { |axis| (corners[true, axis] * shares).sum - 0.5 }
    across, down = [x, y].map { |place| place - place.floor }
    top, bottom = [y.floor, y.floor + 1].map { |row| row.clamp(0, texels.shape[0] - 1) }
    left, right = [x.floor, x.floor + 1].map { |column| column.clamp(0, texels.shape[1] - 1) }
    upper, lower =
      [top, bottom].map do |row|
        (Numo::DFloat.cast(texels[row, left, true]) * (1 - across)) +
          (Numo::DFloat.cast(texels[row, right, true]) * across)
      end
    (upper * (1 - down)) + (lower * down)
  end

  it "lands what was painted on the exported layout where it belongs, to the byte where islands moved by whole px" do
    exported = noted(job)
    moved = operate(exported, "transform_islands", islands: [1], move_px: [-3, 5]).job
    change = brought_back(moved, exported.layout_code)
    diff, alpha = differences(job, change.job, [chart, sheet_of(change.job)])

    assert_in_delta 0, diff.max, 1e-6
    assert_in_delta 255, alpha.min, 1e-6
    assert_equal "painted, painted on layout #{exported.layout_code}, brought back: nothing lost", change.sentence
    assert_equal [0, [], []], change.facts.values_at(:lost_faces, :enlarged, :cut_anew)
  end

  it "lands it within 4 levels where islands were packed, turned and scaled meanwhile" do
    exported = noted(job)
    moved =
      operate(exported, "transform_islands", islands: [0], turn_rad: 0.4, scale: [0.9, 0.9], about: [300, 300]).job
    change = brought_back(moved, exported.layout_code)
    diff, alpha = differences(job, change.job, [chart, sheet_of(change.job)])

    assert_operator diff.sum / diff.size, :<, 4
    assert_operator alpha.min, :>=, 254.9
  end

  it "replaces what a file of the same name brought, and keeps its look" do
    exported = noted(job)
    first = brought_back(exported, exported.layout_code)
    dimmed = operate(first.job, "change_layer", id: first.facts[:layer], opacity: 0.5).job
    again = brought_back(dimmed, exported.layout_code, digest: "later")

    assert_equal [["later", 0.5]],
                 again.job.artwork.layers.map { |layer| [layer.content.picture.digest, layer.look.opacity] }
    assert_match(/replaced/, again.sentence)
    assert_equal 2, brought_back(dimmed, exported.layout_code, name: "other.png").job.artwork.layers.size
  end

  it "tells what was lost, enlarged and cut anew" do
    exported = noted(job)
    larger = operate(exported, "transform_islands", islands: [2], scale: [2, 2]).job

    assert_equal [2], brought_back(larger, exported.layout_code).facts[:enlarged]
    half = chart.resize(0.5)

    assert_equal (0..5).to_a, brought_back(exported, exported.layout_code, half).facts[:enlarged]
    joined = operate(exported, "join_islands", edges: [0]).job

    assert_equal 1, brought_back(joined, exported.layout_code).facts[:cut_anew].size
  end

  it "stretches a picture of other proportions only where it is asked to" do
    exported = noted(job)
    wide = chart.resize(1, vscale: 0.5)
    error = assert_raises(SheetTrace::InvalidOperationError) { brought_back(exported, exported.layout_code, wide) }

    assert_match(
      /painted is 1024 x 512 px, and the template has the proportions of 1024 x 1024; save it whole/,
      error.message
    )
    operation =
      SheetTrace::Operations.from_h("bring_back", { picture: "x", layout: exported.layout_code, stretched: true })
    change = SheetTrace::Operations.run(operation, exported, pictures: ->(_name) { file(wide) })

    assert_equal 1, change.job.artwork.layers.size
  end

  it "keeps the layouts of the last templates through saving, and refuses any other" do
    exported = noted(job)
    snapshot = SheetTrace::Job::Snapshot.dump(exported)
    opened =
      SheetTrace::Job::Snapshot.load(
        JSON.parse(JSON.generate(snapshot.document), symbolize_names: true),
        ->(digest) { snapshot.blobs.fetch(digest) }
      ).job

    assert_equal exported.layout_code, SheetTrace::Trace::Code.call(opened.painted_maps[0].layout)
    error = assert_raises(SheetTrace::InvalidOperationError) { brought_back(exported, "AAAA-AAAA") }

    assert_match(/no template of layout AAAA-AAAA; there are #{exported.layout_code}/, error.message)
  end
end
