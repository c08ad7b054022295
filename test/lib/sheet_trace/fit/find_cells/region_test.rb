# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Fit::FindCells::Region do
  region =
    lambda do |*rows|
      mask = Numo::Bit.cast(rows.map { |row| row.chars.map { |char| char == "#" ? 1 : 0 } })
      SheetTrace::Fit::FindCells::Region.new(x: 10, y: 20, mask: mask)
    end

  it "counts its px and finds the first" do
    own = region.call(".##", "###")

    assert_equal [3, 2, 5], [own.width, own.height, own.area]
    assert_equal [20, 11], own.first
  end

  it "fills what it encloses, and not what is open to a side" do
    ring = region.call("####", "#..#", "####")
    open = region.call("####", "#...", "####")

    assert_equal 12, ring.filled.count
    assert_equal open.area, open.filled.count
  end
end
