# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::SymmetricDirichlet do
  # A right triangle with legs of 1 along the axes: its map's entries are the ends of the legs.
  plane = SheetTrace::Flatten::PlaneTriangles.new(Numo::DFloat[[0, 0, 0], [1, 0, 0], [0, 1, 0]], Numo::Int32[[0, 1, 2]])
  energy = SheetTrace::Flatten::SymmetricDirichlet.new(plane)
  mean = ->((a, b, c, d)) { energy.mean(Numo::DFloat[[0, 0], [a, c], [b, d]]) }
  model = ->((a, b, c, d)) { energy.model(Numo::DFloat[[0, 0], [a, c], [b, d]]) }
  half_area = 0.5 / 2 # the model is half of the energy, by area
  moved = ->(map, i, by) { map.dup.tap { |entries| entries[i] += by } }

  {
    "stretched" => [1.7, 0.2, -0.3, 1.4],
    "turned and stretched" => [0.4, -1.5, 1.3, 0.5],
    "as large but sheared" => [1.1, 0.6, 0.0, 1.3]
  }.each do |how, map|
    it "has the slopes and the curvature of the energy, by differences, where a triangle is #{how}" do
      found = model.call(map)
      step = 1e-4
      4.times do |i|
        slope = (mean.call(moved.call(map, i, step)) - mean.call(moved.call(map, i, -step))) / (2 * step)

        assert_in_delta slope * half_area, found[:slopes][i][0], 1e-5
        (i..3).each do |j|
          corners = [[1, 1], [1, -1], [-1, 1], [-1, -1]]
          curve =
            corners.sum { |x, y| x * y * mean.call(moved.call(moved.call(map, i, x * step), j, y * step)) } /
              (4 * step * step)

          assert_in_delta curve * half_area, found[:curvature][[i, j]][0], 1e-4, [i, j].inspect
        end
      end
    end
  end

  it "curves up or not at all along every way, however small a triangle has become" do
    random = Random.new(8)
    200.times do
      map = Array.new(4) { random.rand(-1.0..1.0) * (10**random.rand(-2.0..1.0)) }
      next unless (map[0] * map[3]) - (map[1] * map[2]) > 1e-6

      found = model.call(map)[:curvature].transform_values { |own| own[0] }
      way = Array.new(4) { random.rand(-1.0..1.0) }
      bend = [0, 1, 2, 3].repeated_permutation(2).sum { |i, j| way[i] * way[j] * found[[i, j].sort] }

      assert_operator bend, :>=, -1e-9 * found.values.map(&:abs).max
    end
  end

  it "has no slope where a triangle keeps its shape and size, whichever way it is turned" do
    [[1.0, 0.0, 0.0, 1.0], [0.6, -0.8, 0.8, 0.6]].each do |map|
      found = model.call(map)

      assert_in_delta 4.0, mean.call(map)
      found[:slopes].each { |slope| assert_in_delta 0.0, slope[0] }
    end
  end
end
