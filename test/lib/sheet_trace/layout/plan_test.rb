# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::Plan do
  plan = SheetTrace::Layout::Plan.new(weights: { 1 => 2.5 }, locked: [0, 2], margin_px: 6)

  it "weighs what nothing is said of as 1" do
    assert_in_delta 2.5, plan.weight(1)
    assert_in_delta 1.0, plan.weight(7)
  end

  it "is handed on with the islands that its weights and locks become" do
    becomes = { 0 => 3, 1 => 0, 2 => nil }
    carry = Object.new
    carry.define_singleton_method(:by_island) do |values, _noun|
      values.filter_map { |island, value| [becomes[island], value] if becomes[island] }.to_h
    end
    after = plan.handed_on(carry)

    assert_equal({ 0 => 2.5 }, after.weights)
    assert_equal [3], after.locked
    assert_equal 6, after.margin_px
  end
end
