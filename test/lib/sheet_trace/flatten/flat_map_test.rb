# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::FlatMap do
  flat = ->(obj) { SheetTrace::Flatten::FlatMap.call(Models.map(obj), 0, unit_mm: 1.0) }
  edge_error =
    lambda do |obj|
      map = Models.map(obj)
      places = SheetTrace::Flatten::FlatMap.call(map, 0, unit_mm: 1.0).coordinates_mm
      map
        .edges
        .points
        .to_a
        .map do |a, b|
          space =
            Math.sqrt(
              (
                (map.mesh.positions[map.point_vertices[a], true] - map.mesh.positions[map.point_vertices[b], true])**2
              ).sum
            )
          (Math.sqrt(((places[a, true] - places[b, true])**2).sum) - space).abs / space
        end
        .max
    end

  it "shows a flat panel in true shape, upright, its middle at 0" do
    coordinates = flat.call(Models.panel(uvs: [[0.9, 0.2], [0.1, 0.1], [0.2, 0.15], [0.8, 0.4]])).coordinates_mm

    assert_equal [[-40, -60], [40, -60], [40, 60], [-40, 60]],
                 coordinates.to_a.map { |point| point.map { |mm| mm.round(9) } }.values_at(*order_of(coordinates))
  end

  # Which corner is which, from the left lower one anticlockwise.
  def order_of(coordinates)
    (0..3).sort_by { |i| Math.atan2(coordinates[i, 1], coordinates[i, 0]) }
  end

  # The development of a cylinder is a rectangle, 2 pi r wide (sheet-metal handbooks; chords here).
  it "rolls a band out to a rectangle, whatever its UVs" do
    n = 48
    size = flat.call(Models.band(n)).size_mm

    assert_in_delta 2 * n * 20 * Math.sin(Math::PI / n), size[0], 1e-4
    assert_in_delta 50, size[1], 1e-4
  end

  # A truncated cone develops without stretch to a sector of a ring: every edge keeps its length.
  it "keeps every edge of a truncated cone to 0.1 %" do
    assert_operator edge_error.call(Models.band(48, radius: 30.0, top_radius: 18.0)), :<, 1e-3
  end

  it "is not mirrored where the sheet map is" do
    mirrored = Models.band(24).gsub(/^vt (\S+) /) { "vt #{1 - Regexp.last_match(1).to_f} " }
    map = Models.map(mirrored)
    places = SheetTrace::Flatten::FlatMap.call(map, 0, unit_mm: 1.0).coordinates_mm
    corners = map.triangles.points[0, true].to_a.map { |point| places[point, true].to_a }
    (ax, ay), (bx, by), (cx, cy) = corners

    assert_operator ((bx - ax) * (cy - ay)) - ((by - ay) * (cx - ax)), :>, 0
  end

  it "refuses a bent island that has no area on the sheet" do
    flatless = Models.band(12).gsub(/^vt .*/, "vt 0.5 0.5")

    assert_refused(SheetTrace::UvError, { island: 0 }) { flat.call(flatless) }
  end
end
