# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Geometry::Assignment do
  cheapest =
    lambda do |costs|
      (0...costs.first.size)
        .to_a
        .permutation(costs.size)
        .map { |columns| columns.each_with_index.sum { |column, row| costs[row][column] } }
        .min
    end
  total = ->(costs, pairs) { pairs.sum { |row, column| costs[row][column] } }

  it "solves a textbook example" do
    # Wikipedia, "Hungarian algorithm": cleaning bathrooms, sweeping floors, washing windows; 15 in all.
    costs = [[8, 4, 7], [5, 2, 3], [9, 4, 8]]

    assert_equal 15, total.call(costs, SheetTrace::Geometry::Assignment.call(costs))
  end

  it "comes to what trying everything comes to, also where rows and columns differ in number" do
    seed = Random.new_seed % 100_000
    random = Random.new(seed)
    40.times do
      rows = random.rand(1..5)
      columns = random.rand(rows..6)
      costs = Array.new(rows) { Array.new(columns) { random.rand(0.0..1.0).round(2) } }
      pairs = SheetTrace::Geometry::Assignment.call(costs)

      assert_equal rows, pairs.size
      assert_equal rows, pairs.values.uniq.size
      assert_in_delta cheapest.call(costs), total.call(costs, pairs), 1e-9, "seed #{seed}: #{costs}"
      turned = SheetTrace::Geometry::Assignment.call(costs.transpose)

      assert_in_delta cheapest.call(costs),
                      turned.sum { |column, row| costs[row][column] },
                      1e-9,
                      "seed #{seed}: #{costs}"
    end
    assert_empty SheetTrace::Geometry::Assignment.call([])
  end
end
