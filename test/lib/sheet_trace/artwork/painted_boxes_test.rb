# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::PaintedBoxes do
  artwork = SheetTrace::Artwork
  boxes =
    lambda do |width, height, *painted|
      pixels = Numo::UInt32.zeros(height, width)
      painted.each { |left, top, across, down| pixels[top...(top + down), left...(left + across)] = 0xff0000ff }
      artwork::PaintedBoxes.call(artwork::Patch.new(pixels: pixels, left_px: 100, top_px: 40)).map(&:to_a).sort
    end

  it "is one tight box round paint that lies together" do
    assert_equal [[103, 45, 30, 12]], boxes.call(60, 50, [3, 5, 10, 12], [20, 8, 13, 4])
  end

  it "is a box for each part that lies apart, beside, below or askew" do
    assert_equal [[100, 40, 10, 10], [150, 40, 5, 10]], boxes.call(80, 10, [0, 0, 10, 10], [50, 0, 5, 10])
    assert_equal [[100, 40, 10, 10], [102, 90, 5, 7]], boxes.call(10, 57, [0, 0, 10, 10], [2, 50, 5, 7])
    assert_equal [[100, 40, 8, 8], [140, 80, 8, 8]], boxes.call(60, 60, [0, 0, 8, 8], [40, 40, 8, 8])
  end

  it "parts again what lies apart only once the rest is left out" do
    parts = [[0, 0, 90, 5], [0, 40, 10, 10], [60, 44, 10, 10]]

    assert_equal [[100, 40, 90, 5], [100, 80, 10, 10], [160, 84, 10, 10]], boxes.call(90, 60, *parts)
  end

  it "is none where nothing is painted, and the whole where all is" do
    assert_empty boxes.call(20, 20)
    assert_equal [[100, 40, 20, 20]], boxes.call(20, 20, [0, 0, 20, 20])
  end
end
