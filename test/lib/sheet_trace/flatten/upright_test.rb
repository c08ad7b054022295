# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::Upright do
  positions = Numo::DFloat[[0, 0, 0], [30, 0, 0], [30, 20, 0], [0, 20, 0]]
  triangles = Numo::Int32[[0, 1, 2], [0, 2, 3]]

  it "turns a piece back by whatever it was turned" do
    [0.0, 0.4, -1.7, 3.1].each do |angle|
      turned = SheetTrace::Geometry::Affine.turn(angle).apply(positions[true, 0..1])
      places = SheetTrace::Flatten::Upright.call(positions, triangles, turned, Numo::DFloat[[0, 0, 1]])
      side = places[3, true] - places[0, true]

      assert_in_delta 0, side[0], 1e-9
      assert_in_delta 20, side[1], 1e-9
    end
  end
end
