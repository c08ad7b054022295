# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Layout::Pack::Turns do
  turns = SheetTrace::Layout::Pack::Turns
  ring =
    lambda { |*corners| corners.each_index.map { |i| [*corners[i], *corners[(i + 1) % corners.size], 1].map(&:to_f) } }
  rectangle = ring.call([5, 5], [25, 5], [25, 15], [5, 15])
  square = ring.call([0, 0], [10, 0], [10, 10], [0, 10])
  wedge = ring.call([0, 0], [30, 0], [0, 10])
  degrees = ->(lines, turn, count = 5) do
    turns.call(lines, turn, count).map { |angle| (angle * 180 / Math::PI).round(1) }
  end

  it "tries no turn twice that gives the same outline, wherever that begins" do
    assert_equal [0, 90], degrees.call(rectangle, "quarter")
    assert_equal [0, 90], degrees.call(rectangle.rotate(2), "quarter")
    assert_equal [0], degrees.call(square, "quarter")
    assert_equal [0, 90, 180, 270], degrees.call(wedge, "quarter")
    assert_equal [0], degrees.call(wedge, "none")
  end

  it "finds the turn that makes an outline slimmest, where it may turn freely" do
    leaning = turns.turned(rectangle, 0.3)
    boxes =
      turns
        .call(leaning, "free", 5)
        .map { |turn| turns.at_zero(turns.turned(leaning, turn)).flat_map { |line| [line[0], line[1]] }.max }

    assert_in_delta 20, boxes.min, 0.3 # half a degree off at the most
  end

  it "has the least x and y at 0" do
    assert_equal [0, 0], turns.corner(turns.at_zero(rectangle))
    assert_equal [5, 5], turns.corner(rectangle)
  end
end
