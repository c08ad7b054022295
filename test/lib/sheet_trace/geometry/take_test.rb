# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::Take do
  take = SheetTrace::Geometry::Take

  it "is what the index tells, as an array of its own" do
    values = Numo::Int32.new(5, 4).seq
    rows = Numo::Int32[3, 0, 3]
    [[rows], [rows, true], [1...4, 2..], [true, 1]].each do |at|
      found = take.call(values, *at)

      assert_equal values[*at].to_a, found.to_a
      assert_instance_of Numo::Int32, found
      found.fill(-1)

      assert_equal Numo::Int32.new(5, 4).seq, values
    end
  end

  it "copies views and empty arrays" do
    assert_equal [[2, 0]], take.copy(Numo::UInt8[[0, 1, 2]][true, [2, 0]]).to_a
    assert_empty take.copy(Numo::DFloat.zeros(0)).to_a
  end
end
