# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Fit::Match::Groups do
  groups =
    lambda do |*boxes|
      cells =
        boxes.map do |x, y, width, height|
          SheetTrace::Fit::Cell.new(name: "c", x: x, y: y, width: width, height: height)
        end
      SheetTrace::Fit::Match::Groups.call(cells).sort
    end

  it "puts cells that share a side into one group, by way of others too" do
    net = [[0, 0, 10, 10], [10, 0, 10, 10], [20, 5, 10, 10], [50, 0, 10, 10]]

    assert_equal [[0, 1, 2], [3]], groups.call(*net)
    assert_equal [[0], [1, 2, 3]], groups.call(*net.reverse)
  end

  it "does not take a common corner for a side" do
    assert_equal [[0], [1]], groups.call([0, 0, 10, 10], [10, 10, 10, 10])
  end

  it "reaches across a fold line where no cells touch" do
    assert_equal [[0, 1], [2]], groups.call([0, 0, 10, 10], [13, 0, 10, 10], [30, 0, 10, 10])
  end
end
