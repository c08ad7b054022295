# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::Affine do
  affine = SheetTrace::Geometry::Affine

  it "returns every point bit for bit after four quarter turns" do
    quarter = affine.turn(Math::PI / 2)
    points = Numo::DFloat[[0.1, 0.7], [-3.3, 1e-9]]

    assert_equal points, 4.times.reduce(points) { |turned, _| quarter.apply(turned) }
  end

  it "does the right map first" do
    assert_equal [7.0, 0.0], (affine.scale(1, 1) * affine.move(2, 0) * affine.scale(5, 5)).at(1, 0)
  end

  it "turns about a point that stays" do
    assert_equal [3.0, 4.0], affine.turn(Math::PI / 2).about(3, 4).at(3, 4)
  end

  it "is undone by its inverse" do
    map = affine.new(2.0, 1.0, 5.0, -1.0, 3.0, 7.0)
    x, y = (map.inverse * map).at(0.25, -8)

    assert_in_delta 0.25, x, 1e-12 # rounding of a dozen products
    assert_in_delta(-8, y, 1e-12)
  end

  it "can't be turned round when it flattens the plane" do
    assert_refused(SheetTrace::InputError) { affine.scale(1, 0).inverse }
  end

  it "finds the map between points again" do
    map = affine.new(2.0, 1.0, 5.0, -1.0, 3.0, 7.0)
    from = Numo::DFloat[[0, 0], [4, 0], [4, 3], [1, 9]]
    found = affine.fit(from, map.apply(from))

    map.to_a.zip(found.to_a) { |expected, got| assert_in_delta expected, got, 1e-12 }
  end

  it "fits no map to points on a line" do
    assert_refused(SheetTrace::InputError) do
      affine.fit(Numo::DFloat[[0, 0], [1, 1], [2, 2]], Numo::DFloat[[0, 0], [1, 0], [0, 1]])
    end
  end
end
