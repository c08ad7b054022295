# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::VertexPairs do
  # Two triangles that share the edge from 0 to 2.
  pairs = SheetTrace::Flatten::VertexPairs.new(Numo::Int64[[0, 1, 2], [2, 3, 0]], 4)
  index = ->(a, b) { pairs.low.to_a.zip(pairs.high.to_a).index([a, b]) }

  it "lists each pair once, the lower vertex first" do
    assert_equal [[0, 1], [0, 2], [0, 3], [1, 2], [2, 3]], pairs.low.to_a.zip(pairs.high.to_a).sort
  end

  it "adds up what triangles put on vertices and on pairs" do
    shares =
      [[0, 0], [1, 1], [2, 2], [0, 1], [0, 2], [1, 2]].each_with_index.to_h do |key, i|
        [key, Numo::DFloat[10.0**i, 2 * (10.0**i)]]
      end
    sums = pairs.sums(shares).to_a
    # Vertex 0 is the first corner of the first triangle and the last of the second.
    assert_in_delta 1 + 200, sums[0]
    assert_in_delta 10, sums[1]
    # The pair 0, 2 stands between the corners 0 and 2 of both.
    assert_in_delta 10_000 + 20_000, sums[4 + index.call(0, 2)]
    assert_in_delta 1000, sums[4 + index.call(0, 1)]
  end

  it "adds up by which vertex comes first, as a full matrix does" do
    random = Random.new(3)
    shares = [0, 1, 2].repeated_permutation(2).to_h { |key| [key, Numo::DFloat[random.rand, random.rand]] }
    matrix = Array.new(4) { Array.new(4, 0.0) }
    [[0, 1, 2], [2, 3, 0]].each_with_index do |corners, t|
      shares.each { |(i, j), own| matrix[corners[i]][corners[j]] += own[t] }
    end
    both = pairs.low.to_a.zip(pairs.high.to_a)
    wanted = Array.new(4) { |k| matrix[k][k] } + both.map { |a, b| matrix[a][b] } + both.map { |a, b| matrix[b][a] }

    wanted.zip(pairs.ordered_sums(shares).to_a).each { |own, found| assert_in_delta own, found, 1e-12 }
  end

  it "adds up by vertex" do
    assert_equal [1 + 6, 2, 3 + 4, 5],
                 pairs.by_vertex([Numo::DFloat[1, 4], Numo::DFloat[2, 5], Numo::DFloat[3, 6]]).to_a
  end
end
