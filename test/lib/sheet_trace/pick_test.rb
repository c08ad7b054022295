# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::Pick do
  pick = ->(job, way, kind, **from) { SheetTrace::Pick.call(job, way: way, kind: kind, **from) }
  # A flat grid of 4 x 3 squares of 10 mm, faces row by row from below.
  grid =
    lambda do
      points = (0..3).to_a.product((0..4).to_a).map { |y, x| "v #{x * 10} #{y * 10} 0" }
      faces =
        (0..2)
          .to_a
          .product((0..3).to_a)
          .map { |y, x| ((y * 5) + x + 1).then { |a| "f #{a} #{a + 1} #{a + 6} #{a + 5}" } }
      Models.job([*points, *faces].join("\n"))
    end
  solid = ->(kind, **measures) { SheetTrace::Job.start(SheetTrace::Solids.build(kind, measures), source_name: "a.obj") }
  edge = ->(job, a, b) { job.mesh.edges.vertices.to_a.index([a, b].minmax) }

  it "grows by a ring and shrinks by one, in every kind" do
    job = grid.call

    assert_equal [0, 1, 4, 5], pick.call(job, "more", "faces", picked: [0])
    assert_equal [0, 1, 5], pick.call(job, "more", "corners", picked: [0])
    # The edge from 0 to 1 touches the two upright ones at its ends and the one that goes on.
    assert_equal [[0, 1], [0, 5], [1, 2], [1, 6]],
                 pick
                   .call(job, "more", "edges", picked: [edge.call(job, 0, 1)])
                   .map { |row| job.mesh.edges.vertices[row, true].to_a }
                   .sort
    # Of three columns picked, the one beside the fourth goes; at the border nothing is beside them.
    assert_equal [0, 1, 4, 5, 8, 9], pick.call(job, "fewer", "faces", picked: (0..11).to_a - [3, 7, 11])
    assert_empty pick.call(job, "fewer", "faces", picked: [0, 1, 4])
  end

  it "inverts, and takes all where nothing is picked" do
    job = grid.call

    assert_equal (1..11).to_a, pick.call(job, "others", "faces", picked: [0])
    assert_equal (0...31).to_a, pick.call(job, "others", "edges", picked: []) # 4 x 4 + 5 x 3 edges
    assert_equal 20, pick.call(job, "others", "corners", picked: []).size
  end

  it "finds the ring of faces across an edge, and the edges it goes through" do
    job = grid.call

    assert_equal [4, 5, 6, 7], pick.call(job, "ring", "faces", edge: edge.call(job, 6, 11)).sort
    assert_equal 5, pick.call(job, "ring", "edges", edge: edge.call(job, 6, 11)).size
    ball = solid.call("ball", sides: 16)
    equator =
      ball.mesh.edges.vertices.to_a.index do |ends|
        ends.all? { |vertex| (ball.mesh.positions[vertex, 1] - (ball.mesh.bounds.transpose[1].sum / 2)).abs < 1e-6 }
      end

    # Across an edge of the equator a ring runs from pole to pole: up to the triangles there, which end it.
    assert_equal [3, 4],
                 pick.call(ball, "ring", "faces", edge: equator).map { |face| ball.mesh.face_sizes[face] }.uniq.sort
  end

  it "runs from face to face, from corner to corner" do
    job = grid.call

    assert_equal [0, 1, 2, 3], pick.call(job, "run", "faces", start: 0, stop: 3)
    assert_equal [0, 1, 2, 3, 4], pick.call(job, "run", "corners", start: 0, stop: 4).sort
    assert_equal 7, pick.call(job, "run", "edges", start: 0, stop: 19).size
  end

  it "grows as far as the seams" do
    whole = grid.call
    bare = operate(whole, "mark_seams", edges: (0...31).to_a, cut: false).job
    job = operate(bare, "mark_seams", edges: [1, 6, 11].map { |a| edge.call(whole, a, a + 5) }).job

    assert_equal [0, 4, 8], pick.call(job, "piece", "faces", picked: [4])
    assert_equal 10, pick.call(job, "piece", "edges", picked: [edge.call(job, 0, 1)]).size
  end

  it "finds faces alike by material, part and facing, and what goes on flat" do
    box = solid.call("box", width_mm: 40, height_mm: 60, depth_mm: 20)
    front =
      (0...6).find do |face|
        box.mesh.face_area_vectors[face, 2].positive? && box.mesh.face_area_vectors[face, 2].abs > 1
      end

    assert_equal [front], pick.call(box, "facing", "faces", picked: [front], angle_rad: 0.1)
    assert_equal [front], pick.call(box, "flat", "faces", picked: [front])
    assert_equal (0...6).to_a, pick.call(box, "flat", "faces", picked: [front], angle_rad: 1.6)
    assert_equal (0...6).to_a, pick.call(box, "part", "faces", picked: [front])
    assert_equal 12, pick.call(box, "angle", "edges", angle_rad: 1.0).size
  end

  it "gives the rim of faces, and carries a pick from kind to kind" do
    job = grid.call

    assert_equal 4, pick.call(job, "rim", "edges", faces: [5]).size
    assert_equal 10, pick.call(job, "rim", "edges", faces: (0..3).to_a).size
    assert_equal 13, pick.call(job, "carry", "edges", of: "faces", picked: (0..3).to_a).size
    assert_equal [0, 1, 5, 6], pick.call(job, "carry", "corners", of: "faces", picked: [0])
    assert_equal [0], pick.call(job, "carry", "faces", of: "corners", picked: [0, 1, 5, 6])
  end

  it "finds what a box on the sheet holds whole" do
    job = Models.job(Models.panel) # from 102.4, 307.2 to 512, 921.6 px

    assert_equal [0], pick.call(job, "box", "faces", corners: [100, 300, 520, 930])
    assert_empty pick.call(job, "box", "faces", corners: [100, 300, 500, 930])
    assert_equal 1, pick.call(job, "box", "edges", corners: [90, 290, 110, 930]).size
    assert_equal [0, 3], pick.call(job, "box", "corners", corners: [90, 290, 110, 930])
  end

  # Seen along -z in clip space: x and y halved by 100, the near side first.
  it "finds what a box on the model shows, and through it" do
    box = solid.call("box", width_mm: 40, height_mm: 60, depth_mm: 20)
    view = [0.01, 0, 0, 0, 0, 0.01, 0, 0, 0, 0, -0.01, 0, 0, 0, 0, 1]
    seen = pick.call(box, "box", "faces", corners: [-1, 1, 1, -1], view: view)

    assert_equal 1, seen.size
    assert_operator box.mesh.face_area_vectors[seen.first, 2], :>, 0
    assert_equal 6, pick.call(box, "box", "faces", corners: [-1, 1, 1, -1], view: view, see_through: true).size
    assert_equal 4, pick.call(box, "box", "edges", corners: [-1, 1, 1, -1], view: view).size
    assert_equal 4, pick.call(box, "box", "corners", corners: [-1, 1, 1, -1], view: view).size
  end

  it "finds the mirrored counterpart, and says where there is none" do
    ball = Models.job(Models.ball(8, 12, 30))
    right = (0...ball.mesh.face_count).find { |face| ball.mesh.face_area_vectors[face, 0] > 1 }
    twin = pick.call(ball, "mirrored", "faces", picked: [right]).first

    assert_operator ball.mesh.face_area_vectors[twin, 0], :<, -1
    lopsided = Models.job("v 0 0 0\nv 10 0 0\nv 3 7 0\nv 1 2 9\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n")
    assert_refused(SheetTrace::MeshError) { pick.call(lopsided, "mirrored", "faces", picked: [0]) }
  end

  it "suggests a cut that lowers the stretch below a limit" do
    # The upper half of a ball is a disc; flat, it is stretched by a good deal.
    cap =
      Models
        .ball(12, 24, 30)
        .lines
        .first((13 * 24) + (6 * 24))
        .join
        .gsub(/^f .*/) { |face| face.gsub(/\b([1-9]|1\d|2[0-4])\b/, "1") }
        .lines
    cap = cap.map { |line| line.start_with?("f") ? "f #{line.split.drop(1).uniq.join(" ")}\n" : line }.join
    job = Models.job(cap).then { |bare| bare.with(drawn_seams: SheetTrace::Flatten::Seams.none(bare.mesh)) }
    cut = pick.call(job, "suggestion", "edges", limit: 1.1)
    before, after =
      [
        SheetTrace::Flatten::Seams.none(job.mesh),
        SheetTrace::Flatten::Seams.none(job.mesh).tap { |bits| bits[cut] = 1 }
      ].map do |seams|
        SheetTrace::Flatten::Cut
          .call(job.mesh, seams)
          .piece(0)
          .then do |piece|
            SheetTrace::Flatten::SuggestReliefCuts.stretch(piece, SheetTrace::Flatten::Unfold.call(piece))
          end
      end

    assert_operator cut.size, :>, 2
    assert_operator after, :<, before
  end

  it "refuses strangers, and ways that are not for a kind" do
    job = grid.call

    assert_refused(SheetTrace::InputError, { faces: 99 }) { pick.call(job, "more", "faces", picked: [99]) }
    assert_refused(SheetTrace::InputError, { kind: "walls" }) { pick.call(job, "more", "walls", picked: []) }
    assert_refused(SheetTrace::InputError, { kind: "corners" }) { pick.call(job, "material", "corners", picked: []) }
    assert_refused(SheetTrace::UnknownNameError, { name: "luck" }) { pick.call(job, "luck", "faces") }
    assert_refused(SheetTrace::InputError, { picked: nil }) { pick.call(job, "more", "faces") }
    assert_refused(SheetTrace::InputError, {}) { pick.call(job, "box", "faces", corners: [1, 2]) }
  end
end
