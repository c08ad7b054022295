# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe SheetTrace::Operations::TransformIslands do
  job = Models.job(Demo::TeaCaddy.obj)
  boxes = ->(state) { state.layout.boxes_px.to_a.map { |box| box.map { |px| px.round(6) } } }

  it "returns every corner bit for bit after four quarter turns" do
    around =
      4
        .times
        .reduce(job) do |turned, _|
          operate(turned, "transform_islands", islands: [0, 1, 2], turn_rad: Math::PI / 2).job
        end
    # Products of px and UV round; to a thousandth of a millionth of a px nothing has moved.
    assert_in_delta 0, (around.layout.points_px - job.layout.points_px).abs.max, 1e-9
  end

  it "keeps proportions and distances of islands that are scaled together" do
    before = boxes.call(job)
    after = boxes.call(operate(job, "transform_islands", islands: [0, 1], scale: [0.5, 0.5]).job)

    assert_in_delta (before[1][0] - before[0][2]) / 2, after[1][0] - after[0][2], 1e-6
    assert_equal before[2..], after[2..]
  end

  it "scales, then turns, then moves about the middle of the common box" do
    moved =
      operate(job, "transform_islands", islands: [0], scale: [0.5, 1], turn_rad: Math::PI / 2, move_px: [10, -20]).job
    # Front: 320 x 480 at 24, 24; middle 184, 264. Half as wide: 160 x 480; turned: 480 x 160.
    assert_equal [184 - 240 + 10, 264 - 80 - 20, 184 + 240 + 10, 264 + 80 - 20].map(&:to_f), boxes.call(moved)[0]
  end

  it "holds the left upper corner of the box round all to pixels, or that of each" do
    left = boxes.call(job)[1].first(2)
    apart = operate(job, "transform_islands", islands: [1], move_px: [0.3, 0.2]).job
    moved = { islands: [0, 1], move_px: [0.4, 7.3], hold: "middles" }
    together = boxes.call(operate(apart, "transform_islands", **moved).job)
    each = boxes.call(operate(apart, "transform_islands", **moved, about: "each").job)
    # Front starts at 24, 24: 24.4, 31.3 is held to 24.5, 31.5. Left goes along, 0.5 and 7.5 from where it was.
    assert_equal [24.5, 31.5], together[0].first(2)
    assert_equal [left[0] + 0.3 + 0.5, left[1] + 0.2 + 7.5].map { |px| px.round(6) }, together[1].first(2)
    assert_equal [24.5, 31.5], each[0].first(2)
    assert_equal [left[0] + 0.5, left[1] + 7.5], each[1].first(2)
  end

  it "says what it did" do
    {
      { move_px: [3, -1.5] } => "Front: moved 3 px right, 1.5 px up",
      { turn_rad: Math::PI / 12 } => "Front: turned 15°",
      { scale: [2, 2] } => "Front: scaled to 640 x 960 px, 8 px/mm",
      {} => "Front: left in place"
    }.each do |parameters, sentence|
      assert_equal sentence, operate(job, "transform_islands", islands: [0], **parameters).sentence
    end
    assert_equal "Front and Left: moved 1 px down",
                 operate(job, "transform_islands", islands: [0, 1], move_px: [0, 1]).sentence
  end
end
