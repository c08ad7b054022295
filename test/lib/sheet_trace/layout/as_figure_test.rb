# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::AsFigure do
  placed = ->(middles, sizes, gap = 2.0) { SheetTrace::Layout::AsFigure.call(middles, sizes, gap: gap) }

  it "keeps the order of all pairs in both directions, and gaps between all" do
    random = Random.new(3)
    8.times do
      middles = Array.new(20) { [random.rand(-100..100) / 2.0, random.rand(0..360) / 2.0] }
      sizes = Array.new(20) { [random.rand(4.0..40.0), random.rand(4.0..40.0)] }
      found = placed.call(middles, sizes)
      found
        .each_index
        .to_a
        .combination(2) do |i, j|
          2.times { |axis| assert_equal middles[i][axis] <=> middles[j][axis], found[i][axis] <=> found[j][axis] }
          free = [0, 1].map { |axis| (found[i][axis] - found[j][axis]).abs - ((sizes[i][axis] + sizes[j][axis]) / 2) }

          assert_operator free.max, :>=, 2 - 1e-9
        end
    end
  end

  it "keeps what is at one height at one height, and what is even even" do
    found = placed.call([[-10, 0], [10, 0], [0, 30]], [[8, 8], [8, 8], [6, 6]])

    assert_in_delta found[0][1], found[1][1]
    assert_in_delta (found[0][0] + found[1][0]) / 2, found[2][0], 1e-9
  end

  it "sets boxes on one spot beside each other" do
    found = placed.call([[0, 0], [0, 0], [0, 0]], [[10, 4]] * 3)
    xs = found.map(&:first).sort

    assert_equal 1, found.map(&:last).uniq.size
    xs.each_cons(2) { |a, b| assert_operator b - a, :>=, 12 - 1e-9 }
  end
end
