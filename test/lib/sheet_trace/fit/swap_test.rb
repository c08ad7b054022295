# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Fit::Swap do
  layout = Models.job(Models.panel).layout # 102.4 to 512 px across, 307.2 to 921.6 down, of 1024
  cell = ->(name, x, y, width, height) do
    SheetTrace::Fit::Cell.new(name: name, x: x, y: y, width: width, height: height)
  end
  underlay =
    lambda do |width, height, cells = [], **options|
      SheetTrace::Fit::Underlay.new(name: "u", picture: "d", picture_px: [width, height], cells: cells, **options)
    end
  prospect =
    lambda do |shown, other|
      setup = SheetTrace::Fit::Setup.new(underlays: [shown, other], shown: 0)
      SheetTrace::Fit::Swap.prospect(setup, other, layout)
    end

  it "sees that a picture of the same size changes nothing" do
    same = prospect.call(underlay.call(512, 512), underlay.call(512, 512))

    assert same.same
    assert_in_delta 1, same.stretch
    assert_in_delta 0, same.lost
    assert_equal [0, 0, 1, 1], same.kept_box
  end

  it "tells how other proportions would be stretched, and what would be lost at the same scale" do
    wide = prospect.call(underlay.call(512, 512), underlay.call(1024, 512))

    refute wide.same
    assert_in_delta 0.5, wide.stretch # 1024 px over a square are half as wide as high
    assert_equal [0, 0, 2, 1], wide.kept_box
    assert_in_delta 0.5, wide.lost
  end

  it "counts islands whose cell is there again under its name" do
    shown = underlay.call(1024, 1024, [cell.call("front", 100, 300, 420, 630)])
    moved = underlay.call(1024, 1024, [cell.call("front", 500, 100, 420, 630)])

    assert_equal 1, prospect.call(shown, moved).followers
    assert_equal 0, prospect.call(shown, underlay.call(1024, 1024, [cell.call("back", 0, 0, 9, 9)])).followers
  end
end
