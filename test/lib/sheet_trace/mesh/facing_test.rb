# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::Facing do
  facing = SheetTrace::Mesh::Facing
  sides = {
    "Front" => [0, 0, 1],
    "Back" => [0, 0, -1],
    "Right" => [1, 0, 0],
    "Left" => [-1, 0, 0],
    "Top" => [0, 1, 0],
    "Bottom" => [0, -1, 0],
    "Around" => [0.1, 0, 0]
  }

  it "names sides as a viewer in front sees them" do
    assert_equal sides.keys, facing.names(Numo::DFloat.cast(sides.values))
  end

  it "has up towards the back on top and towards the front underneath" do
    ups = facing.up(Numo::DFloat.cast(sides.values)).to_a

    assert_equal [[0, 1, 0]] * 4, ups.first(4)
    assert_equal [[0, 0, -1], [0, 0, 1], [0, 1, 0]], ups.last(3)
  end
end
