# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Geometry::OutlineGap do
  outline = ->(*places) do
    Numo::DFloat.cast(places.each_index.map { |i| [*places[i], *places[(i + 1) % places.size]] })
  end
  gap = ->(a, b) { SheetTrace::Geometry::OutlineGap.call(outline.call(*a), outline.call(*b)) }
  square = ->(x, y, side = 10) { [[x, y], [x + side, y], [x + side, y + side], [x, y + side]] }

  it "measures from side to side, and from corner to corner" do
    assert_in_delta 5.0, gap.call(square.call(0, 0), square.call(15, 3))
    assert_in_delta 5.0, gap.call(square.call(0, 0), square.call(13, 14)) # 3, 4, 5
  end

  it "measures into a notch, where boxes overlap" do
    ell = [[0, 0], [40, 0], [40, 10], [10, 10], [10, 40], [0, 40]]

    assert_in_delta 7.0, gap.call(ell, square.call(17, 20))
  end

  it "is 0 where outlines cross, or one lies inside the other" do
    assert_in_delta 0.0, gap.call(square.call(0, 0), square.call(5, 5))
    assert_in_delta 0.0, gap.call(square.call(0, 0, 100), square.call(40, 40))
    assert_in_delta 0.0, gap.call(square.call(40, 40), square.call(0, 0, 100))
  end

  it "agrees with distances between many places along the outlines" do
    seed = Random.new_seed % 100_000
    random = Random.new(seed)
    4.times do
      star =
        lambda do |x|
          Array.new(9) do |i|
            (2 * Math::PI * i / 9).then do |turn|
              random.rand(4.0..10.0).then { |reach| [x + (reach * Math.cos(turn)), reach * Math.sin(turn)] }
            end
          end
        end
      a = star.call(0)
      b = star.call(random.rand(21.0..40.0))
      along =
        lambda do |places|
          places.each_index.flat_map do |i|
            Array.new(60) { |k| places[i].zip(places[(i + 1) % 9]).map { |from, to| from + ((to - from) * k / 60) } }
          end
        end
      brute = along.call(a).product(along.call(b)).map { |(ax, ay), (bx, by)| ((ax - bx)**2) + ((ay - by)**2) }.min

      # Places stand at most 0.34 apart along a side.
      assert_in_delta Math.sqrt(brute), gap.call(a, b), 0.2, "seed #{seed}"
    end
  end
end
