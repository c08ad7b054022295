# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Raster::Gaps do
  gaps = SheetTrace::Raster::Gaps
  owner =
    lambda do |boxes, width = 40, height = 30|
      Numo::Int32
        .zeros(height, width)
        .tap { |grid| boxes.each { |group, (left, top, right, bottom)| grid[top...bottom, left...right] = group + 1 } }
    end

  it "tells the free px between groups, beside each other and across" do
    found = gaps.call(owner.call({ 0 => [2, 2, 10, 10], 1 => [13, 2, 20, 10], 2 => [13, 14, 20, 20] }), 6)

    assert_equal [[0, 1], [0, 2], [1, 2]], found.keys.sort
    assert_in_delta 3, found[[0, 1]]
    assert_in_delta 4, found[[1, 2]]
    # Corner texels at (9, 9) and (13, 14) are hypot(4, 5) apart, one less of free px.
    assert_in_delta Math.hypot(4, 5) - 1, found[[0, 2]]
  end

  it "gives what comparing every texel with every other gives" do
    random = Random.new(5)
    6.times do
      grid = Numo::Int32.cast(Array.new(12) { Array.new(14) { random.rand < 0.2 ? random.rand(1..4) : 0 } })
      texels =
        grid.to_a.each_with_index.flat_map do |row, y|
          row.each_with_index.filter_map { |group, x| [group - 1, x, y] if group.positive? }
        end
      wanted = Hash.new(Float::INFINITY)
      texels.combination(2) do |(a, ax, ay), (b, bx, by)|
        next if a == b
        wanted[[a, b].minmax] = [wanted[[a, b].minmax], Math.hypot(ax - bx, ay - by) - 1].min
      end

      assert_equal wanted.select { |_pair, gap| gap < 3 }, gaps.call(grid, 3)
    end
  end

  it "finds none where none is wanted, where there is one group, and on an empty sheet" do
    assert_empty gaps.call(owner.call({ 0 => [0, 0, 40, 30] }), 9)
    assert_empty gaps.call(owner.call({}), 9)
    assert_empty gaps.call(owner.call({ 0 => [0, 0, 5, 5], 1 => [6, 0, 9, 5] }), 1)
  end
end
