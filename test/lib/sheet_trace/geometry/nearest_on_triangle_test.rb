# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Geometry::NearestOnTriangle do
  triple = SheetTrace::Geometry::Triple

  # Against the nearest of many places of the triangle.
  it "is nearest among all places of the triangle, wherever the point lies" do
    random = Random.new(4)
    corners = [[0.0, 0.0, 0.0], [3.0, 0.5, 0.2], [1.0, 2.0, -0.4]]
    steps = (0..60).flat_map { |i| (0..(60 - i)).map { |j| [i / 60.0, j / 60.0, (60 - i - j) / 60.0] } }
    grid = steps.map { |shares| triple.blend(corners, shares) }
    60.times do
      point = Array.new(3) { (random.rand * 8) - 3 }
      shares = SheetTrace::Geometry::NearestOnTriangle.call(corners, point)
      far = triple.distance(triple.blend(corners, shares), point)
      least = grid.map { |place| triple.distance(place, point) }.min

      assert_in_delta 1, shares.sum, 1e-12
      assert_operator shares.min, :>=, 0
      assert_operator far, :<=, least + 1e-9
      assert_operator far, :>, least - 0.06
    end
  end
end
