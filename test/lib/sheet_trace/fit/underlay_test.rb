# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Fit::Underlay do
  cell = SheetTrace::Fit::Cell.new(name: "A", x: 10, y: 20, width: 30, height: 10)
  underlay =
    SheetTrace::Fit::Underlay.new(
      name: "net.png",
      picture: "digest",
      picture_px: [100, 50],
      cells: [cell],
      box: [0.25, 0.0, 0.5, 1.0]
    )
  sheet = SheetTrace::Layout::Sheet.new(width_px: 400, height_px: 200)

  it "takes its px to the sheet's by where it lies, and back" do
    # It lies from 100 to 300 px across: 2 px a px, and 4 px a px down.
    assert_equal [[120, 80], [180, 80], [180, 120], [120, 120]], underlay.corners_px(cell, sheet)
    assert_equal [120, 80, 180, 120], underlay.box_px(cell, sheet)
    assert_equal [[10.0, 20.0]], underlay.on_picture([[120, 80]], sheet)
  end

  it "has the size that its corrections leave" do
    trimmed = underlay.with(recipe: [{ step: "trim", left: 10, top: 5, right: 0, bottom: 0 }])

    assert_equal [90, 45], trimmed.size_px
  end

  it "comes out of plain values as it went in" do
    assert_equal underlay, SheetTrace::Fit::Underlay.from_plain(underlay.to_plain)
  end
end
