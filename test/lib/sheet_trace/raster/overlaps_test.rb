# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Raster::Overlaps do
  shared = ->(texels, groups, count) do
    SheetTrace::Raster::Overlaps.call(Numo::Int64.cast(texels), Numo::Int64.cast(groups), count)
  end

  it "counts the texels that two groups both have, in any order" do
    texels = [1, 2, 3, 2, 3, 4, 3, 9]
    groups = [0, 0, 0, 1, 1, 1, 2, 2]
    3.times do |seed|
      rows = (0...texels.size).to_a.shuffle(random: Random.new(seed))

      assert_equal(
        { [0, 1] => 2, [0, 2] => 1, [1, 2] => 1 },
        shared.call(texels.values_at(*rows), groups.values_at(*rows), 3)
      )
    end
  end

  it "does not count what one group covers twice" do
    assert_empty shared.call([5, 5, 6], [1, 1, 1], 2)
  end

  it "gives what comparing all with all gives" do
    random = Random.new(8)
    texels = Array.new(400) { random.rand(60) }
    groups = Array.new(400) { random.rand(7) }
    wanted =
      texels
        .zip(groups)
        .uniq
        .group_by(&:first)
        .values
        .flat_map { |rows| rows.map(&:last).sort.combination(2).to_a }
        .tally

    assert_equal wanted, shared.call(texels, groups, 7)
    assert_empty shared.call([], [], 7)
  end
end
