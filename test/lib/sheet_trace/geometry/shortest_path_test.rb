# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::ShortestPath do
  way =
    lambda do |graph, starts, goals|
      SheetTrace::Geometry::ShortestPath.call(starts, goals) do |node|
        graph.fetch(node, []).map { |other, cost| [other, [node, other], cost.to_f] }
      end
    end

  # Cormen, Leiserson, Rivest, Stein, "Introduction to Algorithms", Dijkstra's algorithm, worked example (from memory):
  # nodes s t x y z as 0 to 4; distances 0, 8, 9, 5, 7.
  graph = {
    0 => [[1, 10], [3, 5]],
    1 => [[2, 1], [3, 2]],
    2 => [[4, 4]],
    3 => [[1, 3], [2, 9], [4, 2]],
    4 => [[0, 7], [2, 6]]
  }

  it "takes the cheapest way of the textbook's example" do
    cost = ->(steps) { steps.sum { |from, to| graph[from].to_h[to] } }

    { 1 => 8, 2 => 9, 3 => 5, 4 => 7 }.each do |goal, least|
      assert_equal least, cost.call(way.call(graph, [0], [goal]))
    end
  end

  it "ends at the nearest of several goals, and begins at the nearest of several starts" do
    assert_equal [[0, 3]], way.call(graph, [0], [2, 3])
    assert_equal [[3, 4]], way.call(graph, [0, 3], [4])
  end

  it "has nothing to go where start and goal are one, and no way where there is none" do
    assert_empty way.call(graph, [2], [2])
    assert_nil way.call({ 0 => [[1, 1]] }, [1], [0])
  end
end
