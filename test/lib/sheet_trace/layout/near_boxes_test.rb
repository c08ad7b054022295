# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::NearBoxes do
  near = ->(boxes, gap) { SheetTrace::Layout::NearBoxes.call(Numo::DFloat.cast(boxes), gap) }

  it "names boxes that lie less apart than the gap in both directions, and those that overlap" do
    boxes = [[0, 0, 10, 10], [14, 0, 20, 10], [30, 0, 40, 10], [30, 20, 40, 30], [35, 5, 50, 9]]

    assert_equal [2, 4], near.call(boxes, 4)
    assert_equal [0, 1, 2, 4], near.call(boxes, 4.5)
    assert_equal [0, 1, 2, 3, 4], near.call(boxes, 11)
  end

  it "gives what comparing every box with every other gives, in any order" do
    random = Random.new(3)
    boxes =
      Array.new(80) do
        [random.rand(200), random.rand(200)].then { |x, y| [x, y, x + random.rand(12), y + random.rand(12)] }
      end
    wanted =
      boxes.each_index.select do |i|
        a = boxes[i]
        boxes.each_index.any? do |j|
          b = boxes[j]
          i != j && a[0] < b[2] + 3 && b[0] < a[2] + 3 && a[1] < b[3] + 3 && b[1] < a[3] + 3
        end
      end

    assert_equal wanted, near.call(boxes, 3)
  end

  it "finds nothing near on an empty sheet, and to a single box" do
    assert_empty near.call(Numo::DFloat.zeros(0, 4), 8)
    assert_empty near.call([[0, 0, 9, 9]], 8)
  end
end
