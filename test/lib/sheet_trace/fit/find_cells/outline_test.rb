# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Fit::FindCells::Outline do
  outline =
    lambda do |rows, left = 0, top = 0|
      mask = Numo::Bit.cast(rows.map { |row| row.chars.map { |char| char == "#" ? 1 : 0 } })
      SheetTrace::Fit::FindCells::Outline.call(mask, left, top)
    end
  # By the shoelace formula; clockwise to the eye where y points down.
  area = ->(ring) { ring.each_index.sum { |i| (ring[i - 1][0] * ring[i][1]) - (ring[i][0] * ring[i - 1][1]) } / 2.0 }

  it "goes round a rectangle by its four corners, clockwise, from where it lies" do
    assert_equal [[5, 7], [8, 7], [8, 9], [5, 9]], outline.call(%w[### ###], 5, 7)
  end

  it "encloses as many px as there are, where corners are farther in than a px" do
    rows = %w[######## ######## ####.... ####.... ####.... ####....]

    assert_in_delta rows.join.count("#"), area.call(outline.call(rows))
    assert_equal 6, outline.call(rows).size
  end

  it "straightens the steps of a slanted side to within a px" do
    rows = Array.new(12) { |y| ("#" * (12 - y)).ljust(12, ".") }
    ring = outline.call(rows)

    assert_operator ring.size, :<=, 6
    assert_in_delta rows.join.count("#"), area.call(ring), 12
  end

  it "takes a single px" do
    assert_equal [[0, 0], [1, 0], [1, 1], [0, 1]], outline.call(["#"])
  end
end
