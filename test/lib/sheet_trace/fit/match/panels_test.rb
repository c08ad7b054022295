# frozen_string_literal: true

require_relative "../../../../test_helper"
require_relative "../../../../joined_nets"

describe SheetTrace::Fit::Match::Panels do
  it "puts each net onto its own printed one as one piece, upright, whatever the order, place, turn and unit" do
    random = Random.new(11)
    nets = ->(sizes) { JoinedNets.new(random, sizes, off: 0.02).outcome }
    found = [
      nets.call([[40, 60, 25], [30, 30, 70], [55, 20, 35]]),
      *[[30, 50, 30], [35, 35, 35]].map { |box| nets.call([box]) }
    ]

    assert_equal [[3, 3], [1, 1], [1, 1]], found.map { |outcome| [outcome.right, outcome.pairs.size] }
    assert_operator found.map(&:confidence).min, :>, 0.8
  end

  it "is not sure where a panel hangs elsewhere on the printed net" do
    random = Random.new(11)
    found = Array.new(4) { JoinedNets.new(random, [[40, 60, 25].shuffle(random: random)], otherwise: true).outcome }

    assert_operator found.flat_map(&:pairs).map(&:first).max, :<, 0.5
  end

  it "says by its panels what outlines hardly tell" do
    boxes = [[0, 0, 40, 60], [40, 0, 50, 60], [0, 60, 40, 70]]
    cells =
      lambda do |places|
        places.map do |left, top, right, bottom|
          SheetTrace::Fit::Cell.new(name: "c", x: left, y: top, width: right - left, height: bottom - top)
        end
      end
    panels = SheetTrace::Fit::Match::Panels.new(boxes)

    assert_in_delta 1.0, panels.on(cells.call(boxes), 0, false)
    # The lower panel hung on the one beside; a quarter turn clockwise of it all.
    assert_in_delta 0.0, panels.on(cells.call([*boxes.first(2), [40, 60, 50, 70]]), 0, false)
    turned = boxes.map { |left, top, right, bottom| [70 - bottom, left, 70 - top, right] }

    assert_in_delta 1.0, panels.on(cells.call(turned), 1, false)
    assert_operator panels.on(cells.call(turned), 3, false), :<, 0.5
  end
end
