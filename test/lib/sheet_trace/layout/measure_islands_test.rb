# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::MeasureIslands do
  measure = ->(obj, **sheet) { Models.job(obj, **sheet).measures.first }

  it "measures a true panel" do
    # 80 x 120 mm on 0.4 x 0.6 of 1000 px: 5 px/mm both ways.
    panel = measure.call(Models.panel, width_px: 1000, height_px: 1000)

    panel.size_mm.zip([80, 120]) { |got, mm| assert_in_delta mm, got, 1e-9 }
    panel.size_px.zip([400, 600]) { |got, px| assert_in_delta px, got, 1e-9 }
    assert_in_delta 5, panel.density_px_per_mm, 1e-12
    assert_in_delta 1, panel.stretch_worst, 1e-9
    assert_in_delta 0, panel.up_angle_rad, 1e-9
    refute panel.mirrored
  end

  it "reckons in px where the sheet is not square" do
    # 0.4 x 0.6 of 2000 x 500: 10 px/mm across, 2.5 px/mm up. Stretch 4, density sqrt(25) = 5.
    panel = measure.call(Models.panel, width_px: 2000, height_px: 500)

    assert_in_delta 4, panel.stretch_mean, 1e-9
    assert_in_delta 5, panel.density_px_per_mm, 1e-9
    panel.size_mm.zip([80, 120]) { |got, mm| assert_in_delta mm, got, 1e-9 }
  end

  # Projected to a square, a cylinder's side has principal stretches 1 / (2 pi r) and 1 / h.
  it "finds the stretch of a cylinder wrapped to a square" do
    n = 64
    around = 2 * n * 20 * Math.sin(Math::PI / n) # chords of a circle of radius 20
    band = measure.call(Models.band(n))

    assert_in_delta around / 50, band.stretch_mean, 1e-9
    assert_in_delta around / 50, band.stretch_worst, 1e-9
    band.size_mm.zip([around, 50]) { |got, mm| assert_in_delta mm, got, 1e-6 }
    refute band.mirrored
  end

  it "takes the size of a flat panel from its surface, wherever a corner of it was moved to" do
    moved = measure.call(Models.panel(uvs: [[0.1, 0.1], [0.9, 0.2], [0.5, 0.7], [0.1, 0.6]]))

    moved.size_mm.zip([80, 120]) { |got, mm| assert_in_delta mm, got, 1e-9 }
    assert moved.size_exact
    assert_operator moved.stretch_worst, :>, 1.5
  end

  it "takes the size of a band from its surface, however the map stretches it" do
    around = 2 * 16 * 20 * Math.sin(Math::PI / 16) # chords of a circle of radius 20
    band = measure.call(Models.band(16))

    assert_operator band.stretch_worst, :>, 1.5
    assert band.size_exact
    band.size_mm.zip([around, 50]) { |got, mm| assert_in_delta mm, got, 1e-6 }
  end

  # A cone's side seen from above goes right round, and no cut opens it: callipers say 68 mm across.
  it "measures a ring seen from above straight across, and says that it does not lie flat so" do
    places = [[34, 0], [17, 40]].map { |radius, y| Array.new(24) { |i| [radius, y, i * Math::PI / 12] } }
    rims = places.map { |rim| rim.map { |radius, y, angle| [radius * Math.cos(angle), y, -radius * Math.sin(angle)] } }
    lines = rims.flatten(1).flat_map { |x, y, z| ["v #{x} #{y} #{z}", "vt #{0.5 + (x / 100)} #{0.5 - (z / 100)}"] }
    faces = (0...24).map { |i| [i + 1, ((i + 1) % 24) + 1, ((i + 1) % 24) + 25, i + 25] }
    ring = measure.call((lines + faces.map { |corners| "f #{corners.map { |k| "#{k}/#{k}" }.join(" ")}" }).join("\n"))

    refute ring.size_exact
    ring.size_mm.each { |mm| assert_in_delta 68, mm, 1e-3 }
  end

  # A part of a sphere of radius 100 as finely divided as one likes: it can be laid flat with its angles, not its sizes.
  [0.12, 0.4].each do |reach|
    it "does not say that a dome lies flat with its size, seen from its middle by #{reach} rad" do
      steps = 24
      places =
        (0..steps).to_a.product((0..steps).to_a).map { |pair| pair.map { |i| ((2.0 * i / steps) - 1) * reach * 100 } }
      vertices = places.map { |x, y| [x, y, Math.sqrt((100**2) - (x**2) - (y**2))] }
      lines = vertices.flat_map { |x, y, z| ["v #{x} #{y} #{z}", "vt #{0.5 + (x / 400)} #{0.5 + (y / 100)}"] }
      faces =
        (0...steps).to_a.product((0...steps).to_a).map do |i, j|
          corner = (i * (steps + 1)) + j + 1
          [corner, corner + steps + 1, corner + steps + 2, corner + 1]
        end
      dome = measure.call((lines + faces.map { |corners| "f #{corners.map { |k| "#{k}/#{k}" }.join(" ")}" }).join("\n"))

      refute dome.size_exact
      dome.size_mm.each { |mm| assert_in_delta 200 * reach, mm, 1e-3 }
    end
  end

  it "measures a panel that collapsed onto a line as it is on the model" do
    line = measure.call(Models.panel(uvs: [[0.1, 0.1], [0.5, 0.1], [0.6, 0.1], [0.2, 0.1]]))

    line.size_mm.zip([80, 120]) { |got, mm| assert_in_delta mm, got, 1e-9 }
    assert_nil line.stretch_worst
  end

  it "knows where model-up points, clockwise" do
    corners = [[0.2, 0.2], [0.6, 0.2], [0.6, 0.8], [0.2, 0.8]]
    # Turned so that the panel's lower left corner lies in another corner of its place.
    angles =
      (0..3).map do |turn|
        measure.call(Models.panel(width: 60, height: 60, uvs: corners.rotate(turn))).up_angle_rad * 180 / Math::PI
      end

    [0, -90, 180, 90].zip(angles) { |expected, got| assert_in_delta expected, got, 1e-6 }
  end

  it "tells a mirrored island" do
    assert measure.call(Models.panel(uvs: [[0.5, 0.1], [0.1, 0.1], [0.1, 0.7], [0.5, 0.7]])).mirrored
  end

  it "calls stretch endless where a face is flat on the sheet" do
    panel = measure.call(Models.panel(uvs: [[0.1, 0.1], [0.5, 0.1], [0.5, 0.1], [0.1, 0.1]]))

    assert_nil panel.stretch_worst
    assert_nil panel.stretch_mean
    assert_equal 2, panel.flat_triangles
  end

  it "counts millimetres by the length of a unit" do
    panel = Models.job(Models.panel, unit_mm: 10.0).measures.first

    assert_in_delta 800, panel.size_mm[0], 1e-6
  end

  it "measures a moved island alone, to the same figures" do
    two = [
      "v 0 0 0",
      "v 9 0 0",
      "v 0 5 3",
      "vt 0 0",
      "vt 0.3 0",
      "vt 0 0.3",
      "vt 0.5 0.5",
      "vt 0.9 0.5",
      "vt 0.5 0.9",
      "f 1/1 2/2 3/3",
      "f 1/4 2/5 3/6"
    ].join("\n")
    job = Models.job(two)
    job.measures
    moved = job.with(layout: job.layout.place([1], SheetTrace::Geometry::Affine.scale(2, 1)))

    assert_same job.measures[0], moved.measures[0]
    assert_equal SheetTrace::Layout::MeasureIslands.call(moved.layout, unit_mm: 1.0), moved.measures
  end
end
