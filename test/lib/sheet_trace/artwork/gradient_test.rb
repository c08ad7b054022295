# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::Contents::Gradient do
  frames = SheetTrace::Artwork::Frame
  gradient = ->(**values) { SheetTrace::Artwork::Contents::Gradient.new(color: "#000000", to: "#ff8040", **values) }
  red = ->(content, frame) { content.paint(frame, nil).image.to_a.map { |row| row.map(&:first) } }

  it "goes evenly from one colour to the other, in the direction it is turned to" do
    box = frames.new(left_px: 0, top_px: 0, width_px: 5, height_px: 5)
    small = frames.new(left_px: 0, top_px: 0, width_px: 4, height_px: 4)
    expected = Array.new(4) { |i| ((i + 0.5) / 4 * 255).round }

    assert_equal(expected.map { |level| [level] * 4 }, red.call(gradient.call, small))
    assert_equal Array.new(4) { expected.reverse }, red.call(gradient.call(turn_rad: Math::PI / 2), small)
    assert_equal Array.new(4) { expected }, red.call(gradient.call(turn_rad: -Math::PI / 2), small)
    diagonal = red.call(gradient.call(turn_rad: -Math::PI / 4), box)

    # Half of 255 is no level.
    assert_empty (0..4).map { |i| diagonal[i][4 - i] } - [127, 128]
    assert_operator diagonal[0][0], :<, 30
    assert_operator diagonal[4][4], :>, 225
  end

  it "grows from the middle outwards" do
    rows = red.call(gradient.call(round: true), frames.new(left_px: 0, top_px: 0, width_px: 5, height_px: 5))

    assert_equal 0, rows[2][2]
    assert_equal 255, rows[0][0]
    assert_equal rows[2][0], rows[0][2]
  end

  it "is laid by shares where the frame is not straight, with its coverage as alpha" do
    frame =
      frames.listed(
        left_px: 0,
        top_px: 0,
        width_px: 2,
        height_px: 1,
        texels: Numo::Int64[1],
        across: Numo::DFloat[0.5],
        down: Numo::DFloat[0.25],
        coverage: Numo::DFloat[0.5],
        covered_px: [2.0, 1.0]
      )

    assert_equal [[[0, 0, 0, 0], [64, 32, 16, 128]]], gradient.call.paint(frame, nil).image.to_a
  end
end
