# frozen_string_literal: true

require_relative "../../../../test_helper"
require_relative "../../../../printed_nets"

describe SheetTrace::Fit::Match::Folded do
  {
    "three measures" => ->(random) { [40, 60, 25].map { |mm| mm + random.rand(-7..7) } },
    "a square base" => ->(random) { (20 + random.rand(20)).then { |side| [side, side + 15 + random.rand(20), side] } },
    "one measure" => ->(random) { [20 + random.rand(30)] * 3 }
  }.each do |what, size|
    it "puts each panel of a box of #{what} onto its own cell, as it is printed, whatever the order" do
      random = Random.new(11)
      found = Array.new(3) { PrintedNets.new(random, [size.call(random)]).outcome }

      assert_equal [[6, 6]], found.map { |outcome| [outcome.right, outcome.pairs.size] }.uniq
    end
  end

  it "tells several boxes apart, each with its net" do
    random = Random.new(5)
    outcome = PrintedNets.new(random, [[40, 60, 25], [30, 30, 70], [55, 20, 35]].shuffle(random: random)).outcome

    assert_equal [18, 18], [outcome.right, outcome.pairs.size]
  end

  it "is less sure where a solid is as good either way round" do
    sure =
      [[40, 60, 25], [30, 50, 30], [30, 30, 30]].map do |size|
        PrintedNets.new(Random.new(1), [size]).outcome.confidence
      end

    assert_equal sure.sort.reverse, sure
    assert_operator sure.last, :<, 0.7
  end
end
