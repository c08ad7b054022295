# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::InPlace do
  it "works steps out one after the other, on the array itself" do
    values = Numo::DFloat[1, 5, -3]
    found = SheetTrace::Geometry::InPlace.call(values, [:*, 2], [:clip, 0, 8], [:+, Numo::DFloat[1, 2, 3]])

    assert_same values, found
    assert_equal [3, 10, 3], values.to_a
    assert_equal [4, 11, 4], (values + 1).to_a
    assert_equal [3, 10, 3], values.to_a
  end
end
