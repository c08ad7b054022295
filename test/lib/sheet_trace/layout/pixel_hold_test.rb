# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::PixelHold do
  hold = ->(places, to) { SheetTrace::Layout::PixelHold.call(Numo::DFloat.cast(places), to).to_a }

  it "brings places to the nearest corner of a pixel, and leaves those that lie on one" do
    assert_equal [[3.0, -2.0], [4.0, 0.0]], hold.call([[3.4, -1.6], [4, 0]], "corners")
  end

  it "brings places to the nearest middle of a pixel" do
    assert_equal [3.5, -1.5, 0.5], hold.call([3.9, -1.2, 0.5], "middles")
  end

  it "leaves places as they are where nothing is said" do
    assert_equal [3.4], hold.call([3.4], nil)
  end

  it "takes a single number too" do
    assert_in_delta 7.5, SheetTrace::Layout::PixelHold.call(7.1, "middles")
  end
end
