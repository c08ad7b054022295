# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Fit::PointPairs do
  pairs = SheetTrace::Fit::PointPairs
  affine = SheetTrace::Geometry::Affine
  from = Numo::DFloat[[0, 0], [10, 0], [10, 6], [0, 6], [3, 5]]
  off = ->(map, to) { (map.apply(from) - to).abs.max }

  {
    "move" => affine.move(7, -3),
    "similarity" => affine.move(2, 1) * affine.turn(0.4) * affine.scale(1.5, 1.5),
    "affine" => affine.move(2, 1) * affine.turn(0.4) * affine.scale(2, 0.5) * affine.turn(0.3)
  }.each do |kind, map|
    it "finds a #{kind} again from what it does to points, in whatever order they stand" do
      to = map.apply(from)
      order = (0...5).to_a.shuffle(random: Random.new(3))

      assert_operator off.call(pairs.call(from, to, kind: kind), to), :<, 1e-9
      shuffled = pairs.call(from[order, true], to[order, true], kind: kind)

      assert_operator off.call(shuffled, to), :<, 1e-9
    end
  end

  it "turns nothing where that is the rule, and keeps right angles where that is" do
    to = (affine.turn(0.4) * affine.scale(2, 0.5)).apply(from)
    still = pairs.call(from, to, kind: "affine", rules: ["no_turn"])

    assert_equal [0.0, 0.0], [still.b, still.d].map { |value| value.round(12) }
    upright = pairs.call(from, to, kind: "affine", rules: ["no_shear"])

    assert_operator off.call(upright, to), :<, 1e-6
    across, down =
      upright
        .apply(Numo::DFloat[[1, 0], [0, 1], [0, 0]])
        .then { |p| [p[0, true] - p[2, true], p[1, true] - p[2, true]] }

    assert_in_delta 0, (across * down).sum, 1e-9
  end

  it "scales both ways alike in a similarity that may not turn" do
    to = affine.scale(3, 3).apply(from) + 5
    map = pairs.call(from, to, kind: "similarity", rules: ["no_turn"])

    assert_operator off.call(map, to), :<, 1e-9
  end

  it "brings what points go to onto whole pixels first where that is the rule" do
    assert_equal [[1.0, 3.0]], pairs.targets(Numo::DFloat[[1.4, 2.6]], ["whole_pixels"]).to_a
    assert_equal [[1.4, 2.6]], pairs.targets(Numo::DFloat[[1.4, 2.6]], []).to_a
  end

  it "says how many pairs a kind takes" do
    { "similarity" => 1, "affine" => 2, "perspective" => 3 }.each do |kind, count|
      assert_refused(SheetTrace::InputError, { pairs: count }, message: /#{kind} takes #{count + 1} and more/) do
        pairs.call(from[0...count, true], from[0...count, true], kind: kind)
      end
    end
  end

  it "refuses pairs that lie too near to each other" do
    same = Numo::DFloat[[1, 1], [1, 1], [1, 1]]

    assert_refused(SheetTrace::InputError, { pairs: 3 }, message: /set the landmarks farther apart/) do
      pairs.call(same, same + 1, kind: "affine", rules: ["no_turn"])
    end
  end
end
