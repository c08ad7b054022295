# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::Summary do
  summary = ->(obj) { SheetTrace::Layout::Summary.call(Models.job(obj).layout, unit_mm: 1.0) }
  # 80 x 120 mm on 409.6 x 614.4 px: 5.12 px/mm both ways, 0.24 of the sheet.
  panel = summary.call(Models.panel)

  it "has the figures of a true panel" do
    assert_equal 1, panel.islands
    assert_in_delta 1, panel.stretch_mean
    assert_in_delta 1, panel.stretch_worst
    assert_equal [5.12, 5.12], panel.density_px_per_mm.map { |value| value.round(9) }
    assert_in_delta 0.4 * 0.6, panel.used
    assert_equal 0, panel.turned
  end

  it "counts what reads mirrored, and has no worst stretch where a face is a line on the sheet" do
    mirrored = summary.call(Models.panel(uvs: [[0.5, 0.1], [0.1, 0.1], [0.1, 0.7], [0.5, 0.7]]))
    line = summary.call(Models.panel(uvs: [[0.1, 0.1], [0.5, 0.1], [0.6, 0.1], [0.2, 0.1]]))

    assert_equal 1, mirrored.turned
    assert_nil line.stretch_worst
  end

  it "ranks each figure by itself: less stretch, more of the sheet, fewer mirrored" do
    wide = summary.call(Models.panel(uvs: [[0.1, 0.1], [0.9, 0.1], [0.9, 0.7], [0.1, 0.7]]))

    assert_equal({ stretch_mean: 1, stretch_worst: 1, density_px_per_mm: 0, used: -1, turned: 0 }, panel.compared(wide))
    assert_equal [0], panel.compared(panel).values.uniq
  end
end
