# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Fit::FindCells::PartGradients do
  parts = SheetTrace::Fit::FindCells::PartGradients
  # Rows of one colour each, or columns where it is turned.
  bands =
    lambda do |values, across|
      Numo::DFloat
        .zeros(values.size, across, 3)
        .tap { |box| values.each_with_index { |value, y| box[y, true, true] = value } }
    end

  it "leaves a gradient whole, also one that rises in steps of several px" do
    slow = (0...60).map { |y| (y / 4) * 12.0 }

    assert_equal [[0, 0, 20, 60]], parts.call(bands.call((0...60).map { |y| y * 4.0 }, 20))
    assert_equal [[0, 0, 20, 60]], parts.call(bands.call(slow, 20))
  end

  it "parts it where it comes to rest, at either end, whichever way it runs" do
    slope = (0...40).map { |y| 20 + ((y + 0.5) * 4) }
    box = bands.call(slope + ([180.0] * 30), 16)

    assert_equal [[0, 0, 16, 40], [0, 40, 16, 30]], parts.call(box)
    assert_equal [[0, 0, 40, 16], [40, 0, 30, 16]], parts.call(box.transpose(1, 0, 2).copy)
    assert_equal [[0, 0, 16, 30], [0, 30, 16, 40]], parts.call(box[(0...70).to_a.reverse, true, true])
  end

  it "parts what differs along a straight line but at one end" do
    box = bands.call((0...40).map { |y| 20 + ((y + 0.5) * 4) }, 32)
    box[true, 16..-1, true] = 180.0

    assert_equal [[0, 0, 16, 40], [16, 0, 16, 40]], parts.call(box)
  end

  it "leaves textures and rests of fewer than four px alone" do
    random = Random.new(4)
    noise = Numo::DFloat[*Array.new(30 * 30 * 3) { random.rand(255.0) }].reshape(30, 30, 3)

    assert_equal [[0, 0, 30, 30]], parts.call(noise)
    assert_equal [[0, 0, 9, 43]], parts.call(bands.call((0...40).map { |y| y * 4.0 } + [160.0, 160.0, 160.0], 9))
  end
end
