# frozen_string_literal: true

require "matrix"
require_relative "../../../test_helper"

describe SheetTrace::Geometry::LinearSystem do
  solve = SheetTrace::Geometry::LinearSystem.method(:solve)

  it "solves what Ruby's matrix gem solves, to the same figures" do
    random = Random.new(4)
    (1..8).each do |size|
      rows = Array.new(size) { Array.new(size) { random.rand(-5.0..5.0) } }
      right = Array.new(size) { random.rand(-5.0..5.0) }
      wanted = Matrix.rows(rows).lup.solve(Vector.elements(right)).to_a

      solve.call(rows, right).zip(wanted) { |got, value| assert_in_delta value, got, 1e-9 }
    end
  end

  it "changes rows where a pivot is 0" do
    assert_equal [3.0, 2.0], solve.call([[0, 1], [1, 0]], [2, 3])
  end

  it "says that equations do not fix a solution, at any scale" do
    [1e-9, 1.0, 1e9].each do |scale|
      assert_nil solve.call([[1 * scale, 2 * scale], [2 * scale, 4 * scale]], [1, 2])
      assert_nil solve.call([[0, 0], [0, scale]], [1, 2])
    end
  end
end
