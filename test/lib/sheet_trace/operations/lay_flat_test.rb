# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Operations::LayFlat do
  shade = -> { Demo.lantern_shade.job }

  it "lays picked faces flat alone, and leaves all others where they are" do
    job = Demo.tea_caddy.job
    front = job.layout.uv_map.island_faces[0].to_a.first
    after = operate(job, "lay_flat", faces: [front], by: "square_on").job

    assert_equal job.layout.uv_map.island_count, after.layout.uv_map.island_count
    job
      .layout
      .uv_map
      .island_faces
      .drop(1)
      .flat_map(&:to_a)
      .each do |face|
        corners = (job.mesh.face_starts[face]...job.mesh.face_starts[face + 1]).to_a

        assert_equal job.layout.corner_uvs[corners, true], after.layout.corner_uvs[corners, true]
      end
  end

  it "fits a piece to a rectangle, in its proportions or filling it" do
    job = shade.call
    filled =
      operate(job, "lay_flat", islands: [0], by: "unfold", into: { width_px: 300, height_px: 200, keep: false }).job
    kept = operate(job, "lay_flat", islands: [0], by: "unfold", into: { width_px: 300, height_px: 200 }).job
    size = ->(state) { state.measures[state.island_names.index("shade Left")].size_px }

    size.call(filled).zip([300, 200]) { |got, wanted| assert_in_delta wanted, got, 1e-6 }
    assert_in_delta 1.0, size.call(kept).zip([300, 200]).map { |got, whole| got / whole }.max, 1e-9
    assert_in_delta 1, kept.measures[kept.island_names.index("shade Left")].stretch_worst, 1e-3
    assert_refused(SheetTrace::LayoutError, message: /pieces can't be fitted to one rectangle/) do
      operate(job, "lay_flat", islands: [0, 5], by: "unfold", into: { width_px: 300, height_px: 200 })
    end
  end

  # A wavy square that is squeezed on the sheet: two of its corners stay where they are, the rest takes true shape
  # about them.
  it "holds corners to the bit while it unfolds the rest" do
    n = 8
    points = (0..n).to_a.product((0..n).to_a).map { |j, i| "v #{i} #{Math.sin(i * 0.7)} #{-j}" }
    uvs = (0..n).to_a.product((0..n).to_a).map { |j, i| "vt #{0.1 + (0.07 * i)} #{0.1 + (0.08 * j) + (0.001 * i * i)}" }
    faces =
      (0...n)
        .to_a
        .product((0...n).to_a)
        .map do |j, i|
          ((j * (n + 1)) + i + 1).then { |a| "f #{[a, a + 1, a + n + 2, a + n + 1].map { |k| "#{k}/#{k}" }.join(" ")}" }
        end
    job = operate(Models.job([*points, *uvs, *faces].join("\n")), "resize_sheet", width_px: 900, height_px: 700).job
    after = operate(job, "lay_flat", islands: [0], by: "unfold", pins: [0, n]).job
    bits =
      lambda do |state|
        [0, n].map { |vertex| state.layout.corner_uvs[state.mesh.corner_vertices.eq(vertex).where, true].to_binary }
      end

    assert_equal bits.call(job), bits.call(after)
    assert_empty after.findings.map(&:code) & %w[fold_over mirrored]
    assert_operator after.measures[0].stretch_mean, :<, job.measures[0].stretch_mean
    assert_refused(SheetTrace::InvalidOperationError, message: /true scale/) do
      operate(job, "lay_flat", islands: [0], pins: [0], into: { width_px: 9, height_px: 9 })
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /no corner 999/) do
      operate(job, "lay_flat", islands: [0], pins: [999])
    end
  end

  it "parts a model into six directions, three axes, or two halves" do
    box = SheetTrace::Job.start(SheetTrace::Solids.build("box", {}), source_name: "box")
    counts = { "six" => 6, "three" => 6, "front_back" => 2, "left_right" => 2 }

    # Opposite sides of a box never touch, so three axes give six pieces too; a ball falls into as many as it has caps
    # and bands.
    counts.each do |sides, count|
      assert_equal count,
                   operate(box, "lay_flat", by: "direction", sides: sides, seams: "none")
                     .job
                     .layout
                     .uv_map
                     .island_count,
                   sides
    end
    ball = Models.job(Models.ball(10, 16, 30))

    assert_equal 2,
                 operate(ball, "lay_flat", by: "direction", sides: "front_back", seams: "none")
                   .job
                   .layout
                   .uv_map
                   .island_count
  end

  it "keeps to an axis and a place on it that are given" do
    job = Models.job(Models.band(24, radius: 25.0, height: 80.0))
    after = operate(job, "lay_flat", by: "rollout", axis: [0, 1, 0], origin: [0, 0, 0]).job
    leaning = operate(job, "lay_flat", by: "rollout", axis: [0.2, 1, 0], origin: [0, 0, 0]).job

    assert_in_delta 1, after.measures[0].stretch_worst, 0.01
    assert_operator leaning.measures[0].stretch_worst, :>, 1.1
  end

  it "starts without a map: every face apart, and with a plain wrap" do
    job = shade.call

    assert_equal job.mesh.face_count,
                 operate(job, "lay_flat", by: "square_on", seams: "all").job.layout.uv_map.island_count
    assert_operator operate(job, "lay_flat", by: "wrap", seams: "none").job.measures.map(&:stretch_worst).max, :<, 3
  end

  it "follows the plane of symmetry" do
    ball = Models.job(Models.ball(8, 12, 30))
    after = operate(ball, "lay_flat", by: "unfold", seams: "none", mirrored: true).job
    seams = SheetTrace::Flatten::Seams.of_map(after.layout.uv_map)

    assert_equal seams, seams[after.mesh.symmetry.edge_twins]
  end

  it "keeps the gutter that is asked for" do
    after = operate(shade.call, "lay_flat", by: "angle", seams: "none", gutter_px: 24).job
    close = ->(gutter) { SheetTrace::Check::Gutter.call(after.with(gutter_px: gutter).subject) }

    assert_empty close.call(22) # a cell of the search for room is 2 px
    refute_empty close.call(40)
  end

  # A figure of 15 blocks, brought in without UVs: one step.
  it "makes the blocks of a figure nets in one step, each with its front in the middle, upright, packed at one density" do
    limbs = Array.new(15) { |i| [[i * 40, 0, 0], [10 + i, 12 + (i % 4), 8 + (i % 3)]] }
    job = Models.job(Models.blocks(limbs))

    assert_operator job.layout.uv_map.island_count, :>=, 15
    change = operate(job, "lay_flat")
    after = change.job

    assert_match(/All faces laid flat \(15 nets\): 15 islands, worst stretch .* 1\.000/, change.sentence)
    assert_equal 15, after.layout.uv_map.island_count
    after.measures.each { |measure| assert_in_delta 1, measure.stretch_worst, 1e-6 }
    assert_in_delta 1, after.measures.map(&:density_px_per_mm).minmax.reduce(:/), 1e-6
    assert_empty(after.findings.map(&:code) & %w[overlap off_sheet gutter mirrored])
    after.measures.each { |measure| assert_in_delta 0, measure.up_angle_rad, 1e-6 }
  end

  it "packs round what is reserved when all is laid flat anew" do
    job = operate(Models.job(Models.blocks([[[0, 0, 0], [9, 9, 9]]])), "plan_sheet", reserved: [[0, 0, 1024, 400]]).job
    after = operate(job, "lay_flat").job

    assert_operator after.layout.boxes_px[true, 1].min, :>=, 400
  end

  it "leaves what is not picked to the bit, keeps the place and density of what is, and the plan of seams elsewhere" do
    job = operate(shade.call, "mark_seams", edges: [0, 5, 40]).job
    island = job.island_names.index("shade Left")
    others = (0...job.layout.uv_map.island_count).to_a - [island]
    faces = job.layout.uv_map.island_faces[island].to_a
    places = ->(state) do
      state.layout.corner_uvs[job.layout.uv_map.face_islands[job.mesh.corner_faces].ne(island).where, true]
    end
    # The rest of the sheet is taken, so that there is no other room.
    %w[best unfold rollout].each do |by|
      change = operate(job, "lay_flat", islands: [island], by: by)
      after = change.job

      assert_equal places.call(job), places.call(after)
      own = after.layout.uv_map.face_islands[faces.first]

      assert_in_delta job.measures[island].density_px_per_mm, after.measures[own].density_px_per_mm, 0.02
      elsewhere = job.drawn_seams.where.to_a.reject { |edge| job.mesh.edge_faces[edge].intersect?(faces) }

      assert_empty elsewhere - after.seams.where.to_a
      assert_match(/the plan of seams is kept elsewhere/, change.sentence) if elsewhere.any? && after.drawn_seams
    end

    assert_equal job.layout.uv_map.island_count - 1, others.size
  end

  it "refuses what it can't do, by name" do
    job = shade.call

    {
      { by: "fly" } => /by is "fly"/,
      { seams: "gold" } => /seams is "gold"/,
      { sides: "ten" } => /sides is "ten"/,
      { faces: [9999] } => /no face 9999/,
      { axis: [0, 0, 0] } => /axis is \[0, 0, 0\]/,
      { origin: [1] } => /origin is \[1\]/,
      { by: "seen" } => /direction is lacking/,
      { into: 3 } => /into is 3/,
      { into: { width_px: 0, height_px: 5 } } => /width is 0/,
      { gutter_px: -1 } => /gutter is -1/,
      { stretch_limit: 0.5 } => /stretch limit is 0\.5/,
      { by: "best", mirrored: true } => /mirrored halves are laid by one of the other ways/,
      { pins: [0] } => /corners are held by unfolding alone/,
      { mirrored: "yes" } => /mirrored is "yes"/
    }.each do |parameters, message|
      assert_refused(SheetTrace::InvalidOperationError, message: message) { operate(job, "lay_flat", **parameters) }
    end
    lopsided = Models.job("v 0 0 0\nv 10 0 0\nv 3 7 0\nv 1 2 9\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n")

    assert_refused(SheetTrace::InvalidOperationError, message: /no plane of symmetry/) do
      operate(lopsided, "lay_flat", by: "unfold", mirrored: true)
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /no plane of symmetry/) do
      operate(lopsided, "mark_seams", edges: [0], mirrored: true)
    end
  end
end

describe SheetTrace::Operations::DetachFaces do
  it "parts faces from their island, which stays where it is" do
    job = operate(Models.job(Models.band(8)), "transform_islands", islands: [0], scale: [0.5, 0.5]).job
    after = operate(job, "detach_faces", faces: [2, 3]).job
    rest = job.layout.corner_uvs[(0...8).to_a, true]

    # A strip of eight loses two in the middle: those two, and what is left on either side.
    assert_equal 3, after.layout.uv_map.island_count
    assert_equal rest, after.layout.corner_uvs[(0...8).to_a, true]
    assert_empty after.findings.map(&:code) & %w[overlap off_sheet]
  end

  it "refuses whole islands and strangers" do
    job = Models.job(Models.panel)

    assert_refused(SheetTrace::InvalidOperationError, message: /whole islands already/) do
      operate(job, "detach_faces", faces: [0])
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /no face 7/) { operate(job, "detach_faces", faces: [7]) }
  end
end

describe SheetTrace::Operations::StartSeams do
  it "sews up all, and goes back to the seams of the map" do
    job = Models.job(Models.band(8))
    bare = operate(job, "start_seams", from: "none")

    assert_equal "All seams closed: 1 piece", bare.sentence
    assert_equal 0, bare.job.seams.count_true
    assert_nil operate(bare.job, "start_seams", from: "map").job.drawn_seams
    assert_refused(SheetTrace::InvalidOperationError, message: /from is "thin air"/) do
      operate(job, "start_seams", from: "thin air")
    end
  end

  it "marks the mirrored side too" do
    ball = Models.job(Models.ball(8, 12, 30))
    right =
      (0...ball.mesh.edges.count).find do |edge|
        ball.mesh.edges.vertices[edge, true].to_a.all? { |vertex| ball.mesh.positions[vertex, 0] > 5 }
      end
    bare = operate(ball, "start_seams", from: "none").job

    assert_equal 2, operate(bare, "mark_seams", edges: [right], mirrored: true).job.seams.count_true
  end
end
