# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Flatten::HalveEdges do
  # Twice the area of a triangle of the plane, above 0 where it turns as the whole one does.
  doubled = ->((ax, ay), (bx, by), (cx, cy)) { ((bx - ax) * (cy - ay)) - ((by - ay) * (cx - ax)) }

  it "covers the triangle once and the same way round, whichever edges are halved" do
    corners = [[0.0, 0.0], [4.0, 0.0], [0.0, 4.0]]
    middles = [[2.0, 0.0], [2.0, 2.0], [0.0, 2.0]]
    [true, false].product([true, false], [true, false]) do |halved|
      own = middles.zip(halved).map { |middle, there| middle if there }
      pieces = SheetTrace::Flatten::HalveEdges.call(corners, own)
      areas = pieces.map { |piece| doubled.call(*piece) }

      assert_equal 1 + halved.count(true), pieces.size
      assert_operator areas.min, :>, 0
      assert_in_delta doubled.call(*corners), areas.sum, 1e-12
      assert_equal (corners + own.compact).sort, pieces.flatten(1).uniq.sort
    end
  end
end
