# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe "landmarks" do
  fit = SheetTrace::Fit
  cast = ->(rows) { Numo::DFloat.cast(rows) }
  square = [[0, 0], [40, 0], [40, 30], [0, 30], [11, 7]]

  # A net of 20 x 20 squares, each cut in two.
  grid =
    lambda do |n, side|
      places = cast.call((0..n).to_a.product((0..n).to_a).map { |j, i| [i * side, j * side] })
      triangles =
        (0...n)
          .to_a
          .product((0...n).to_a)
          .flat_map do |j, i|
            a = (j * (n + 1)) + i
            [[a, a + 1, a + n + 2], [a, a + n + 2, a + n + 1]]
          end
      [places, Numo::Int32.cast(triangles)]
    end
  areas =
    lambda do |places, triangles|
      a, b, c = [0, 1, 2].map { |k| places[triangles[true, k], true] }
      ((b[true, 0] - a[true, 0]) * (c[true, 1] - a[true, 1])) - ((b[true, 1] - a[true, 1]) * (c[true, 0] - a[true, 0]))
    end

  it "keeps right angles, or turns nothing, where that is the rule" do
    from = cast.call(square)
    turned = SheetTrace::Geometry::Affine.turn(0.4) * SheetTrace::Geometry::Affine.scale(2, 3)
    map = fit::PointPairs.call(from, turned.apply(from), kind: "affine", rules: %w[no_shear])
    sheared = SheetTrace::Geometry::Affine.new(1, 0.3, 0, 0, 1, 0).apply(from)
    rule = fit::PointPairs.call(from, sheared, kind: "affine", rules: %w[no_shear])
    still = fit::PointPairs.call(from, sheared, kind: "affine", rules: %w[no_turn])

    turned.to_a.zip(map.to_a) { |wanted, got| assert_in_delta wanted, got, 1e-6 }
    # A turn of scaled axes: columns stand square to each other.
    assert_in_delta 0, (rule.a * rule.b) + (rule.d * rule.e), 1e-9
    assert_equal [0.0, 0.0], [still.b, still.d]
    # Across and down by themselves: the slope of a line through the coordinates, as in any handbook of statistics.
    mean = sheared[true, 0].mean
    x = from[true, 0]

    assert_in_delta ((x - x.mean) * (sheared[true, 0] - mean)).sum / ((x - x.mean)**2).sum, still.a, 1e-9
  end

  it "says how many pairs are lacking" do
    from = cast.call(square.first(2))
    assert_refused(SheetTrace::InputError, { pairs: 2 }, message: /2 pairs of points; affine takes 3 and more/) do
      fit::PointPairs.call(from, from, kind: "affine")
    end
    line = cast.call([[0, 0], [1, 1], [2, 2]])
    assert_refused(SheetTrace::InputError, { pairs: 3 }, message: /farther apart/) do
      fit::PointPairs.call(line, line, kind: "affine")
    end
  end

  it "brings soft places onto theirs to a hundredth, and turns nothing over" do
    places, triangles = grid.call(20, 5.0)
    anchors = [
      [[0, 1, 22], [1.0, 0, 0]],
      [[20, 19, 41], [1.0, 0, 0]],
      [[420, 421, 440], [1.0, 0, 0]],
      [[440, 439, 419], [1.0, 0, 0]],
      [[220, 221, 242], [0.4, 0.3, 0.3]]
    ]
    to = cast.call([[0, 0], [103, 2], [-2, 98], [101, 104], [61, 55]])
    after = fit::Soft.call(places, triangles, anchors, to)
    met =
      cast.call(
        anchors.map { |points, shares| points.zip(shares).map { |point, share| after[point, true] * share }.sum.to_a }
      )

    assert_operator (met - to).abs.max, :<, 0.01
    assert_operator areas.call(after, triangles).min, :>, 0
  end

  it "follows a rigid move rigidly" do
    places, triangles = grid.call(6, 10.0)
    move = SheetTrace::Geometry::Affine.move(30, -7) * SheetTrace::Geometry::Affine.turn(0.6)
    anchors = [0, 6, 48].map { |point| [[point, point, point], [1.0, 0.0, 0.0]] }
    after = fit::Soft.call(places, triangles, anchors, move.apply(places[[0, 6, 48], true]))

    # As-rigid-as-possible: a rigid move has no energy, so it is the least.
    assert_operator (after - move.apply(places)).abs.max, :<, 0.02
  end

  it "goes only as far as nothing is turned over" do
    places, triangles = grid.call(4, 10.0)
    anchors = [[[0, 1, 6], [1.0, 0, 0]], [[24, 23, 18], [1.0, 0, 0]]]
    after =
      fit::Soft.call(
        places,
        triangles,
        [*anchors, [[12, 13, 18], [1.0, 0, 0]]],
        cast.call([[0, 0], [40, 40], [300, -200]])
      )

    assert_operator areas.call(after, triangles).min, :>, 0
  end

  it "stays on the surface wherever the island goes, and suggests the corner that is farthest away" do
    job = Demo.tea_caddy.job
    mark = fit::Landmark.at(job.layout, 0, [100, 200], [10, 20])
    moved = operate(job, "transform_islands", islands: [0], move_px: [50, 7], turn_rad: 0.3).job

    assert_equal 0, mark.island(job.layout.uv_map)
    mark.at(job.layout.uv_map, job.layout.points_px).zip([100, 200]) { |got, wanted| assert_in_delta wanted, got, 1e-9 }
    refute_in_delta 100, mark.at(moved.layout.uv_map, moved.layout.points_px)[0], 1
    # Beside the island the nearest place of its rim is taken: Front lies from 24 to 344 px across.
    assert_in_delta 344,
                    fit::Landmark.at(job.layout, 0, [400, 200], [0, 0]).at(job.layout.uv_map, job.layout.points_px)[0],
                    1e-6
    # Front's corners are at 24 and 344 across, 24 and 504 down.
    assert_equal [344, 504], fit::SuggestLandmark.call(job.layout, 0, [[24.0, 24.0]]).map(&:round)
  end
end
