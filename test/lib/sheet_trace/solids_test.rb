# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::Solids do
  solids = SheetTrace::Solids
  job = ->(kind, **measures) { SheetTrace::Job.start(solids.build(kind, measures), source_name: kind) }
  island = ->(solid, name) { solid.measures[solid.island_names.index(name)] }
  area = ->(solid) { SheetTrace::Geometry::Vectors.lengths(solid.mesh.face_area_vectors).sum }

  solids::KINDS.names.each do |kind|
    it "makes a #{kind.tr("_", " ")} that is closed or flat, looks outwards, and has a clean map" do
      solid = job.call(kind)
      codes = solid.findings.map(&:code)

      assert_empty codes - %w[stretch] # a ball can't be laid flat
      assert_includes [[2], [1]], solid.mesh.edges.uses.to_a.uniq
      assert_in_delta 0, solid.mesh.bounds[0][1], 1e-9
      assert_in_delta(1.0, solid.unit_mm)
    end
  end

  it "makes a box of its measures" do
    box = job.call("box", width_mm: 30, height_mm: 40.0, depth_mm: 50.0)

    assert_equal [[-15, 0, -25], [15, 40, 25]], box.mesh.bounds
    assert_equal %w[Back Bottom Front Left Right Top], box.island_names.sort
    island.call(box, "Left").size_mm.zip([50, 40]) { |got, mm| assert_in_delta mm, got, 1e-9 }
  end

  # Development of a cylinder's side: 2 pi r by h (sheet-metal handbooks), chords for arcs.
  it "develops a cylinder's side" do
    band = island.call(job.call("cylinder", diameter_mm: 50.0, height_mm: 80.0, sides: 100), "Around")

    assert_in_delta 2 * Math::PI * 25, band.size_mm[0], 0.05 # 100 chords
    assert_in_delta 80, band.size_mm[1], 1e-6
    assert_in_delta 1, band.stretch_worst, 1e-9
  end

  # A frustum's side is a sector of a ring: slant s = sqrt(h^2 + (R - r)^2), outer radius R s / (R - r), angle 2 pi (R
  # - r) / s;
  # area pi (R + r) s (sheet-metal handbooks).
  it "develops a truncated cone, either way up" do
    [[120.0, 60.0], [60.0, 120.0]].each do |bottom, top|
      solid = job.call("cone", bottom_mm: bottom, top_mm: top, height_mm: 100.0, sides: 200)
      slant = Math.sqrt((100**2) + (30**2))
      sector = Math::PI * 90 * slant
      # the chord of the outer arc, if it is less than a half turn
      width = 2 * (60 * slant / 30) * Math.sin(Math::PI * 30 / slant)

      assert_in_delta sector + (Math::PI * ((60**2) + (30**2))), area.call(solid), 30 # 200 chords
      side = island.call(solid, "Around")

      assert_in_delta 1, side.stretch_worst, 1e-9
      assert_in_delta width, side.size_mm[0], 0.1
    end
  end

  it "makes a full cone" do
    assert_equal %w[Around Bottom], job.call("cone", top_mm: 0.0, height_mm: 200.0).island_names.sort
  end

  # Ball 4 pi r^2; at latitude b a globe's chart is wider than true by 1 / cos b.
  # Pappus: the surface of a torus is 4 pi^2 R r.
  it "makes a ring of round section, cut along its inner side" do
    solid = job.call("torus", outer_mm: 100.0, section_mm: 20.0, sides: 96, section_sides: 48)

    assert_in_delta 4 * (Math::PI**2) * 40 * 10, area.call(solid), 40 # chords for arcs
    assert_equal [1, [[-50, 0, -50], [50, 20, 50]]],
                 [solid.layout.uv_map.island_count, solid.mesh.bounds.map { |place| place.map(&:round) }]
  end

  it "wraps a ball as a chart of the globe" do
    solid = job.call("ball", diameter_mm: 60.0, sides: 96)

    assert_in_delta 4 * Math::PI * (30**2), area.call(solid), 20
    assert_equal 1, solid.layout.uv_map.island_count
  end

  it "rounds the edges of a box, true on the flats and along the edges" do
    solid = job.call("rounded_box", width_mm: 60.0, height_mm: 60.0, depth_mm: 60.0, radius_mm: 10.0, steps: 8)
    # Flats 6 x 40^2, edges 12 quarter cylinders of 40 x pi 10 / 2, corners one ball.
    assert_in_delta (6 * 1600) + (12 * 40 * Math::PI * 5) + (4 * Math::PI * 100), area.call(solid), 15
    assert_operator solid.measures.map(&:stretch_mean).max, :<, 1.02
  end

  it "refuses measures that make no sense, naming them" do
    {
      ["box", { width_mm: 0 }] => ["width_mm", /width, x is 0; give a number from 0.1 to 100000/],
      ["cylinder", { sides: 2.5 }] => ["sides", /give a whole number from 3 to 256/],
      ["torus", { section_mm: 60.0 }] => ["section_mm", /less than half of the outer one/],
      ["ring", { inner_mm: 90.0 }] => ["inner_mm", /less than the outer one/],
      ["rounded_box", { radius_mm: 30.0 }] => ["radius_mm", /half the shortest side/],
      ["box", { girth_mm: 1 }] => ["girth_mm", /no parameter girth_mm/]
    }.each do |(kind, measures), (measure, message)|
      assert_refused(SheetTrace::InputError, { measure: measure }, message: message) { solids.build(kind, measures) }
    end
    assert_refused(SheetTrace::UnknownNameError) { solids.build("teapot") }
  end
end
