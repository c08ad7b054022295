# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Flatten::Pieces do
  flatten = SheetTrace::Flatten
  solid = ->(kind, **measures) { SheetTrace::Solids.build(kind, measures).mesh }
  by_angle = ->(mesh) { flatten::Seams.by_angle(mesh, Math::PI / 3) }
  # The largest piece's positions and places.
  largest =
    lambda do |pieces|
      index = (0...pieces.cut.piece_count).max_by { |i| pieces.cut.piece(i).faces.size }
      shape = pieces.cut.piece(index)
      [shape, pieces.places[shape.points, true]]
    end

  # Sheet-metal handbooks: a cylinder's side is 2 pi r by h.
  [24, 96].each do |sides|
    it "rolls a cylinder of #{sides} sides out to 2 pi r by h" do
      mesh = solid.call("cylinder", diameter_mm: 50.0, height_mm: 80.0, sides: sides)
      shape, places = largest.call(flatten::Pieces.call(mesh, method: "rollout", seams: by_angle.call(mesh)))
      width, height = (places.max(axis: 0) - places.min(axis: 0)).to_a

      assert_in_delta 2 * Math::PI * 25, width, 1e-6 * width
      assert_in_delta 80, height, 1e-6
      # Centre-front in the middle, the seam at the back.
      front = places[shape.positions[true, 2].max_index, 0]

      assert_in_delta 0, front, 1e-6
      assert_equal [-25.0],
                   shape.positions[places[true, 0].abs.gt((width / 2) - 1e-6).where, 2].to_a.map { |z| z.round(6) }.uniq
    end
  end

  # Frustum: slant s = sqrt(h^2 + (R - r)^2), outer radius R s / (R - r), angle 2 pi (R - r) / s.
  it "rolls a truncated cone out to a sector of a ring, either way up" do
    [[120.0, 60.0], [60.0, 120.0]].each do |bottom, top|
      mesh = solid.call("cone", bottom_mm: bottom, top_mm: top, height_mm: 100.0, sides: 64)
      pieces = flatten::Pieces.call(mesh, method: "rollout", seams: by_angle.call(mesh))
      shape, places = largest.call(pieces)
      fit = flatten::RollOut.fit(shape)
      slant = Math.sqrt((100**2) + (30**2))

      assert_equal "cone", fit.kind
      assert_in_delta 30 / slant, fit.slope, 1e-6
      [0, 1, 0].zip(fit.axis) { |expected, got| assert_in_delta expected, got.abs, 1e-6 }
      # All points of the wide rim lie on an arc of the outer radius; the sector's chord tells its angle.
      heights = shape.positions[true, 1]
      wide = (bottom > top ? heights < 50 : heights > 50).where
      rim = places[wide, true]
      outer = 60 * slant / 30
      chord = 2 * outer * Math.sin(Math::PI * 30 / slant)

      assert_in_delta chord, rim[true, 0].max - rim[true, 0].min, chord * 1e-3
      arcs = rim[rim[true, 0].sort_index, true]
      steps = (1...rim.shape[0]).map { |i| Math.hypot(*(arcs[i, true] - arcs[i - 1, true]).to_a) }

      assert_in_delta 2 * outer * Math.sin(Math::PI * 30 / slant / 64), steps.min, 1e-6 * outer
    end
  end

  it "fits a cylinder that lies askew" do
    turn = SheetTrace::Geometry::Transform.turn(1, 2, 3, 0.7)
    mesh = Models.read(Models.band(48)).mesh
    askew = mesh.with(positions: SheetTrace::Geometry::Transform.apply(turn, mesh.positions))
    fit = flatten::RollOut.fit(flatten::Cut.call(askew, flatten::Seams.none(askew)).piece(0))
    axis = SheetTrace::Geometry::Transform.apply(turn, Numo::DFloat[[0, 1, 0]])[0, true].to_a

    assert_equal ["cylinder", 20.0], [fit.kind, fit.radius.round(9)]
    assert_in_delta 1, fit.axis.zip(axis).sum { |a, b| a * b }.abs, 1e-9
  end

  it "refuses to roll out what is flat" do
    flat = Models.read(Models.panel).mesh

    assert_refused(SheetTrace::MeshError, message: /no axis/) do
      flatten::RollOut.fit(flatten::Cut.call(flat, flatten::Seams.none(flat)).piece(0))
    end
  end

  # A box has 12 edges and 8 corners. Cut along 7 of them that make a tree over all corners, it is a net: 6 faces, 14
  # corners, 19 edges, of which 5 are inside.
  it "opens a box along 7 edges to a net of 6 faces, 14 corners and 19 edges" do
    mesh = solid.call("box")
    vertices = mesh.positions
    at = ->(x, y, z) { (0...8).find { |v| vertices[v, true].to_a.map { |value| value > 1 } == [x, y, z] } }
    cut =
      [
        [[false, true, false], [true, true, false]],
        *[true, false].product([true, false]).map { |x, z| [[x, true, z], [x, false, z]] },
        [[true, true, false], [true, true, true]],
        [[false, true, false], [false, true, true]]
      ].map { |a, b| [at.call(*a), at.call(*b)].minmax }
    edges = mesh.edges.vertices.to_a.map(&:minmax)
    seams = flatten::Seams.none(mesh).tap { |bits| cut.each { |pair| bits[edges.index(pair)] = 1 } }
    map = flatten::Cut.call(mesh, seams).then { |open| open.to_map(Numo::DFloat.zeros(open.point_vertices.size, 2)) }

    assert_equal [7, 1, 14, 19], [seams.count_true, map.island_count, map.point_count, map.edges.outline.size]
  end

  it "suggests cuts at the back, until every piece is a disc" do
    { "cylinder" => 3, "ring" => 4, "ball" => 1 }.each do |kind, count|
      mesh = solid.call(kind)
      seams = flatten::OpenUp.call(mesh, by_angle.call(mesh))
      cut = flatten::Cut.call(mesh, seams)

      assert_equal count, cut.piece_count, kind
      missing = (0...count).map { |i| cut.piece(i).missing_cut }

      assert_empty missing.compact, kind
    end
    mesh = solid.call("cylinder")
    added = (flatten::OpenUp.call(mesh, by_angle.call(mesh)) & ~by_angle.call(mesh)).where

    assert_equal [-35.0], mesh.positions[mesh.edges.vertices[added, true].flatten, 2].to_a.map { |z| z.round(6) }.uniq
  end

  it "takes seams from the map, from groups and from angles" do
    caddy = Models.map(Demo::TeaCaddy.obj)

    assert_equal 12, flatten::Seams.of_map(caddy).count_true
    assert_equal 12, flatten::Seams.by_angle(caddy.mesh, 1.5).count_true
    assert_equal 0, flatten::Seams.by_angle(caddy.mesh, Math::PI / 2).count_true # not more than a right angle
    assert_equal 12, flatten::Seams.between(caddy.mesh, flatten::Split.by_direction(caddy.mesh)).count_true
    assert_equal 6, flatten::Split.by_angle(caddy.mesh, 0.5).to_a.uniq.size
    assert_refused(SheetTrace::InputError, { angle: 4.0 }) { flatten::Seams.by_angle(caddy.mesh, 4.0) }
  end

  it "lays every method's pieces upright in true size where they are flat" do
    mesh = solid.call("box")
    (flatten::Pieces::METHODS - %w[seen wrap]).each do |method|
      pieces = flatten::Pieces.call(mesh, method: method, seams: by_angle.call(mesh))
      map = pieces.cut.to_map(pieces.places)
      large, small = map.jacobians(pieces.places).singular_values

      assert_equal [6, 0], [pieces.cut.piece_count, pieces.turned], method
      [large, small].each { |values| values.to_a.each { |value| assert_in_delta 1, value, 1e-6, method } }
    end
    assert_refused(SheetTrace::InputError, { method: "fly" }) do
      flatten::Pieces.call(mesh, method: "fly", seams: by_angle.call(mesh))
    end
  end

  # Seen from the front, a side that leans back by an angle is shortened by its cosine.
  it "shows faces as seen from a direction" do
    leaning =
      Models.job(Models.panel(width: 40, height: 30).sub(/^v 40 30 0$/, "v 40 30 -40").sub(/^v 0 30 0$/, "v 0 30 -40"))
    flat = operate(leaning, "lay_flat", by: "seen", direction: [0, 0, 1]).job
    width, height = flat.measures[0].size_px

    assert_in_delta 30.0 / 40, height / width, 1e-9
    assert_in_delta 50.0 / 30, flat.measures[0].stretch_worst, 1e-9
    square_on = operate(leaning, "lay_flat", by: "square_on").job.measures[0]

    assert_in_delta 1, square_on.stretch_worst, 1e-9
  end

  it "flattens picked islands in place, at their density, and leaves the rest alone" do
    job = Demo.lantern_shade.job
    before = job.island_names
    result = operate(job, "lay_flat", islands: [0, 1, 2], by: "rollout", seams: "none")
    after = result.job

    assert_match(/3 islands laid flat \(rollout\): 10 islands/, result.sentence)
    shade = after.island_names.index("shade Around")

    assert_in_delta 1, after.measures[shade].stretch_worst, 0.01
    # As sharp beside the hooks as before, whether or not all were made smaller to make room.
    sharpness = ->(state, name) { state.measures[state.island_names.index(name)].density_px_per_mm }

    assert_in_delta sharpness.call(job, "shade Left") / sharpness.call(job, "hook left Front"),
                    sharpness.call(after, "shade Around") / sharpness.call(after, "hook left Front"),
                    0.01
    assert_equal before.last(8), after.island_names.last(8)
    assert_empty after.findings.select { |finding| finding.code == "stretch" }
  end

  it "lays a whole model flat, faces without UVs too" do
    after = operate(Demo.lantern_shade.job, "lay_flat", by: "unfold", seams: "angle").job

    assert_empty after.findings.map(&:code) & %w[faces_without_uvs stretch overlap fold_over off_sheet]
  end

  # At the bow, the first diagonals of quads on either side of the keel have the same ends.
  it "opens and unfolds a hull whose halves could share diagonals" do
    mesh = Models.read(Demo::Skiff.obj).mesh
    pieces = flatten::Pieces.call(mesh, method: "unfold", seams: flatten::Seams.none(mesh))

    assert_equal [1, 0], [pieces.cut.piece_count, pieces.turned]
    assert_predicate pieces.cut.piece(0), :disc?
  end
end
