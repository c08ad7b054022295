# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::Grouped do
  grouped = SheetTrace::Geometry::Grouped

  it "sums by group, with 0 for a group that has nothing" do
    assert_equal [4.0, 0.0, 5.0], grouped.sum(Numo::Int32[0, 2, 0], Numo::DFloat[1, 5, 3], 3).to_a
  end

  it "finds the same extremes by walking and by slices" do
    random = Random.new(7) # any seed does
    groups = Numo::Int32.cast(Array.new(400) { random.rand(3) })
    values = Numo::DFloat.cast(Array.new(400) { random.rand })
    low, high = grouped.extremes(groups, values, 4)
    expected = (0..2).map { |group| values[groups.eq(group).where].minmax }

    assert_equal expected, low.to_a.zip(high.to_a).first(3)
    assert_equal [Float::INFINITY, -Float::INFINITY], [low[3], high[3]]
    assert_equal expected, grouped.extremes(groups, values, 40).map { |side| side.to_a.first(3) }.transpose
  end

  it "gives equal values equal ranks, in rising order" do
    ranks, count = grouped.ranks(Numo::DFloat[0.5, -1.0, 0.5, 2.0])

    assert_equal [1, 0, 1, 2], ranks.to_a
    assert_equal 3, count
  end

  it "repeats numbers by their counts and counts their places" do
    counts = Numo::Int64[2, 0, 3]
    repeated = grouped.repeat(counts)

    assert_equal [0, 0, 2, 2, 2], repeated.to_a
    assert_equal [0, 1, 0, 1, 2], grouped.places(counts, repeated).to_a
  end

  it "repeats nothing for counts of 0" do
    assert_empty grouped.repeat(Numo::Int64[0, 0])
  end
end
