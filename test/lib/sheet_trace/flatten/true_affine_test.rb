# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::TrueAffine do
  true_affine = SheetTrace::Flatten::TrueAffine
  positions = Numo::DFloat[[0, 0, 0], [30, 0, 0], [30, 20, 0], [5, 25, 0]]
  triangles = Numo::Int32[[0, 1, 2], [0, 2, 3]]
  flat = positions[true, 0..1]
  lengths = ->(places) do
    [[0, 1], [1, 2], [2, 3], [3, 0], [0, 2]].map { |a, b| Math.hypot(*(places[a, true] - places[b, true]).to_a) }
  end

  it "brings any affine image of a true shape back to it, not mirrored" do
    wanted = lengths.call(flat)
    affine = SheetTrace::Geometry::Affine
    [
      affine.scale(2, 1),
      affine.turn(0.6) * affine.scale(0.1, 7),
      affine.new(1.0, 0.8, 5.0, -0.2, 1.5, 9.0),
      affine.scale(-3, 1)
    ].each do |map|
      places = true_affine.call(positions, triangles, map.apply(flat))

      lengths.call(places).zip(wanted) { |got, mm| assert_in_delta mm, got, 1e-9 }
      assert_operator SheetTrace::UvMap::Jacobians.of(positions, places, triangles).determinant.min, :>, 0
    end
  end

  it "has nothing to go by where all triangles are lines" do
    assert_nil true_affine.call(positions, triangles, flat * Numo::DFloat[[1, 0]])
  end

  it "has the square root of a symmetric matrix" do
    xx, xy, yy = true_affine.root(5.0, 4.0, 5.0) # of [[2, 1], [1, 2]] times itself

    [[2, xx], [1, xy], [2, yy]].each { |wanted, got| assert_in_delta wanted, got, 1e-12 }
  end
end
