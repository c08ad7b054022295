# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::Places::AtLevel do
  define_method(:striped) do |job, face, at, **more|
    job = operate(job, "set_bleed", bleed_px: 0).job
    operate(
      job,
      "add_layer",
      id: "s",
      content: {
        kind: "fill",
        color: "#c85028"
      },
      place: {
        kind: "level",
        face: face,
        at: at,
        height_mm: 10,
        **more
      }
    ).job
  end

  define_method(:alpha) do |job|
    sheet = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: nil))
    Numo::UInt8.from_binary(sheet.extract_band(3).write_to_memory).reshape(sheet.height, sheet.width)
  end

  # The caddy is 80 x 120 x 50 mm, at 4 px/mm.
  it "goes round the caddy over four seams, of one width and without a break" do
    job = Models.job(Demo::TeaCaddy.obj)
    names = job.island_names
    middle = job.mesh.bounds.transpose.map { |low, high| (low + high) / 2 }
    front = job.layout.uv_map.island_faces[names.index("Front")][0]
    job = striped(job, front, [middle[0], middle[1], job.mesh.bounds[1][2]])
    painted = alpha(job)
    { "Front" => 80, "Back" => 80, "Left" => 50, "Right" => 50 }.each do |name, mm|
      left, top, right, bottom = job.layout.boxes_px[names.index(name), true].to_a.map(&:round)

      assert_in_delta mm * 10 * 16, painted[top...bottom, left...right].sum / 255.0, mm * 16 * 0.2, name
    end
    facts = job.artwork.layer("s").place.facts(job, nil)

    assert_in_delta 260, facts[:length_mm], 1e-6
    assert facts[:closed]
    assert_equal %w[Front Left Right Back].map { |name| names.index(name) }.sort, facts[:islands]
  end

  # A cylinder wrapped to a square: its centre line and its width, in texels of 50 / 1024 mm.
  it "has its centre line on the level and its width along the wall" do
    job = Models.job(Models.band(48))
    job = striped(job, 0, [0.0, 20.0, 0.0])
    rows = (0...1024).step(37).map { |x| alpha(job)[true, x].gt(127).where }

    rows.each do |own|
      assert_in_delta 10, own.size * 50.0 / 1024, 10 * 0.02
      assert_in_delta 20, (1 - ((own.minmax.sum / 2.0) + 0.5).fdiv(1024)) * 50, 50.0 / 1024
    end
  end

  it "lies above the line by an offset, and once at the spot in its own proportions" do
    job = Models.job(Models.band(48))
    angle = Math::PI / 3
    spot = [20 * Math.sin(angle), 20.0, 20 * Math.cos(angle)]
    face = job.mesh.triangulation.faces[job.mesh.nearest_spot((0...job.mesh.face_count).to_a, spot)[0]]
    once = alpha(striped(job, face, spot, offset_mm: 7, all_round: false))
    y, x = once.gt(127).where.to_a.map { |texel| texel.divmod(1024) }.transpose

    assert_in_delta 27, (1 - ((y.minmax.sum / 2.0) + 0.5).fdiv(1024)) * 50, 0.06
    around = 2 * 48 * 20 * Math.sin(Math::PI / 48)

    assert_in_delta 10, (x.max - x.min + 1) * around / 1024, 0.3
  end

  it "paints nothing where its spot lies beside the surface's heights" do
    job = striped(Models.job(Models.panel), 0, [40.0, 500.0, 0.0])

    assert_equal 0, alpha(job).max
    assert_in_delta 0, job.artwork.layer("s").place.facts(job, nil)[:length_mm], 1e-9
  end

  it "goes on to the faces of another height when it is lifted there" do
    cup = SheetTrace::Solids.build("cone", {})
    job = SheetTrace::Job.start(cup, source_name: "cone.obj")
    low = job.mesh.bounds[0][1]
    high = job.mesh.bounds[1][1]
    lengths =
      [0.1, 0.5, 0.9].map do |share|
        state = striped(job, 0, [0.0, low + ((high - low) * share), 0.0])
        state.artwork.layer("s").place.facts(state, nil)[:length_mm]
      end

    assert_equal lengths.sort.reverse, lengths
    assert_in_delta lengths[0] - lengths[1], lengths[1] - lengths[2], 0.01 * lengths[0]
  end

  it "joins its ends without a break, in colour and in alpha" do
    job = striped(Models.job(Models.band(48)), 0, [0.0, 20.0, 0.0])
    middle = alpha(job)[614, true] # 20 of 50 mm above the lower rim

    assert_equal 255, middle.min
  end
end
