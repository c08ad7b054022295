# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::Mesh do
  # Area of a ball 4 pi r^2 and of a cylinder's side 2 pi r h: Bronshtein, Semendyayev, "Handbook of Mathematics", 3.3.
  it "comes near the area of a ball as faces get finer" do
    errors =
      [16, 32].map do |n|
        areas = SheetTrace::Geometry::Vectors.lengths(Models.read(Models.ball(n, 2 * n, 30.0)).mesh.face_area_vectors)
        1 - (areas.sum / (4 * Math::PI * (30.0**2)))
      end

    assert_in_delta 0, errors[1], 0.005
    assert_in_delta 4, errors[0] / errors[1], 0.2 # chords miss a circle by the square of their angle
  end

  it "has the area of a cylinder's side, less what chords cut off" do
    n = 64
    areas = SheetTrace::Geometry::Vectors.lengths(Models.read(Models.band(n)).mesh.face_area_vectors)
    chord_share = n * Math.sin(Math::PI / n) / Math::PI

    assert_in_delta 2 * Math::PI * 20 * 50 * chord_share, areas.sum, 1e-6
  end

  it "points area vectors outwards" do
    mesh = Models.read(Models.ball(8, 16, 1.0)).mesh
    middles =
      Numo::DFloat.cast(
        Array.new(mesh.face_count) do |f|
          mesh.positions[mesh.corner_vertices[mesh.face_starts[f]...mesh.face_starts[f + 1]], true].mean(axis: 0).to_a
        end
      )

    assert_operator SheetTrace::Geometry::Vectors.dot(middles, mesh.face_area_vectors).min, :>, 0
  end

  it "cuts polygons of any size into n - 2 triangles of the same area" do
    obj = [
      "v 0 0 0",
      "v 4 0 0",
      "v 4 4 0",
      "v 2 1 0",
      "v 0 4 0",
      "v 0 0 5",
      "f 1 2 3 4 5",
      "f 1 2 6",
      "f 1 2 3 5"
    ].join("\n")
    mesh = Models.read(obj).mesh
    cut = mesh.triangulation

    assert_equal [0, 0, 0, 1, 2, 2], cut.faces.to_a
    areas =
      cut.corners.to_a.map do |corners|
        a, b, c = corners.map { |corner| mesh.positions[mesh.corner_vertices[corner], true].to_a }
        (((b[0] - a[0]) * (c[1] - a[1])) - ((b[1] - a[1]) * (c[0] - a[0]))) / 2
      end

    assert_in_delta 10, areas.first(3).sum, 1e-12 # 4 x 4 less the notch of 4 x 3 / 2
    assert areas.first(3).all?(&:positive?)
  end
end
