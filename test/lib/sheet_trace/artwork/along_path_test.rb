# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::Places::AlongPath do
  define_method(:laid) do |job, **place|
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
        kind: "path",
        height_mm: 10,
        **place
      }
    ).job
  end

  define_method(:alpha) do |job|
    sheet = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: nil))
    Numo::UInt8.from_binary(sheet.extract_band(3).write_to_memory).reshape(sheet.height, sheet.width)
  end

  # Painted mm2 by island, at 4 px/mm.
  define_method(:painted_mm2) do |job|
    painted = alpha(job)
    job.island_names.each_with_index.to_h do |name, island|
      left, top, right, bottom = job.layout.boxes_px[island, true].to_a.map(&:round)
      [name, painted[top...bottom, left...right].sum / 255.0 / 16]
    end
  end

  define_method(:spot) do |job, island, at|
    { face: job.layout.uv_map.island_faces[job.island_names.index(island)][0], at: at.map(&:to_f) }
  end

  # The caddy is 80 x 120 x 50 mm and stands on y = 0.
  caddy = Models.job(Demo::TeaCaddy.obj)
  low, high = caddy.mesh.bounds
  middle = low.zip(high).map { |own| own.sum / 2 }

  it "runs from click to click over seams, straight in the plane between them, of one width" do
    from = spot(caddy, "Front", [middle[0], middle[1] - 20, high[2]])
    to = spot(caddy, "Right", [high[0], middle[1] + 10, middle[2]])
    job = laid(caddy, spots: [from, to])
    facts = job.artwork.layer("s").place.facts(job, nil)
    # By hand: the plane holds the way (40, 30, -25) and the sum of both normals (1, 0, 1), so its normal is
    # (30, -65, -30), and it meets the edge x = 40, z = 25 at y = -20 + 30 * 40 / 65.
    edge = 30 * 40.0 / 65
    length = Math.hypot(40, edge) + Math.hypot(25, 30 - edge)

    assert_in_delta length, facts[:length_mm], 1e-6
    refute facts[:closed]
    assert_equal %w[Front Right].map { |name| caddy.island_names.index(name) }.sort, facts[:islands]
    assert_in_delta 10 * length, painted_mm2(job).values.sum, 10 * length * 0.02
  end

  # Half of the stripe on the lid, mitred at its four corners; half of it on the walls, where the rim is straight.
  it "follows a run of edges round, mitred on the lid and straight on the walls" do
    lid = caddy.layout.uv_map.island_faces[caddy.island_names.index("Top")][0]
    edges = caddy.mesh.edges.corner_edges[caddy.mesh.face_starts[lid]...caddy.mesh.face_starts[lid + 1]].to_a
    job = laid(caddy, edges: edges.shuffle(random: Random.new(3)))
    painted = painted_mm2(job)
    place = job.artwork.layer("s").place

    assert_in_delta 260, place.facts(job, nil)[:length_mm], 1e-6
    assert place.back
    assert_equal [nil, nil, 4], [place.edges, place.rim_of, place.spots.size]
    assert_in_delta (80 * 50) - (70 * 40), painted["Top"], 12
    { "Front" => 80, "Back" => 80, "Left" => 50, "Right" => 50 }.each do |name, mm|
      assert_in_delta 5 * mm, painted[name], 5, name
    end
    assert_in_delta 0, painted["Bottom"], 1e-9
  end

  it "lies within an island along its rim, by an offset to the left" do
    job = laid(caddy, rim_of: "Front", offset_mm: 5)
    painted = painted_mm2(job)

    assert_in_delta (80 * 120) - (60 * 100), painted["Front"], 40
    assert_in_delta 0, painted.except("Front").values.sum, 40
  end

  it "leaves its ends free as far as is said, and keeps through a subdivision" do
    spots = [
      spot(caddy, "Front", [low[0] + 10, middle[1], high[2]]),
      spot(caddy, "Front", [high[0] - 10, middle[1], high[2]])
    ]
    job = laid(caddy, spots: spots, trim_mm: [15.0, 5.0])

    assert_in_delta 40 * 10, painted_mm2(job)["Front"], 8
    finer = operate(job, "subdivide_faces", faces: (0...job.mesh.face_count).to_a).job

    assert_in_delta 40 * 10, painted_mm2(finer)["Front"], 8
  end

  it "says what is no path" do
    one = spot(caddy, "Front", [middle[0], middle[1], high[2]])

    assert_match(
      /2 to 5000 spots; this has 1/,
      assert_raises(SheetTrace::InvalidOperationError) { laid(caddy, spots: [one]) }.message
    )
    edges = [0, caddy.mesh.edges.count - 1]

    assert_match(/not one run/, assert_raises(SheetTrace::InvalidOperationError) { laid(caddy, edges: edges) }.message)

    parts = Models.job(Models.blocks([[[0, 0, 0], [10, 10, 10]], [[40, 0, 0], [10, 10, 10]]], order: (0..5).to_a))
    faces = [0, 6].map { |from| (from...from + 6).max_by { |face| parts.mesh.face_area_vectors[face, 2] } }
    apart = faces.zip([0.0, 40.0]).map { |face, x| { face: face, at: [x, 0.0, 5.0] } }

    assert_match(
      /ends between spots 1 and 2/,
      assert_raises(SheetTrace::InvalidOperationError) { laid(parts, spots: apart) }.message
    )
  end
end
