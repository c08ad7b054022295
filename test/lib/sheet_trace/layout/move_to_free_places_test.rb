# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::MoveToFreePlaces do
  # Two panels side by side, a third on the first, a fourth off the sheet.
  panels = [[100, 100], [400, 100], [150, 150], [1500, 100]]
  rows = panels.each_index.flat_map { |i| [[0, 0], [20, 0], [20, 20], [0, 20]].map { |x, y| "v #{x} #{y} #{i * 9}" } }
  uvs =
    panels.flat_map do |x, y|
      [[0, 0], [200, 0], [200, 200], [0, 200]].map { |a, b| "vt #{(x + a) / 1024.0} #{(y + b) / 1024.0}" }
    end
  faces = panels.each_index.map { |i| "f #{(1..4).map { |k| "#{(4 * i) + k}/#{(4 * i) + k}" }.join(" ")}" }
  layout = Models.job([*rows, *uvs, *faces].join("\n")).layout
  moved = ->(islands, **options) { SheetTrace::Layout::MoveToFreePlaces.call(layout, islands, gutter_px: 8, **options) }
  boxes = ->(state) { state.boxes_px.to_a }

  it "moves what lies on others or off the sheet, and leaves the rest to the bit" do
    after = moved.call([2, 3])

    assert_equal boxes.call(layout).first(2), boxes.call(after).first(2)
    assert_empty after.islands_off_sheet
    boxes
      .call(after)
      .combination(2) { |a, b| assert_operator [b[0] - a[2], a[0] - b[2], b[1] - a[3], a[1] - b[3]].max, :>=, 6 }
  end

  it "leaves islands with room about them where they are, unless all shall go" do
    assert_same layout, moved.call([1])
    refute_same layout, moved.call([1], keep_free: false)
  end

  it "puts beside the sheet what has no room, and leaves all else to the bit, where nothing may be made smaller" do
    x, y = layout.centre_px([1])
    onto = SheetTrace::Geometry::Affine.move(512 - x, 512 - y)
    large = layout.place([1], SheetTrace::Geometry::Affine.scale(5, 5).about(512, 512) * onto)
    after = SheetTrace::Layout::MoveToFreePlaces.or_beside(large, [0], gutter_px: 8)

    assert_equal boxes.call(large).drop(1), boxes.call(after).drop(1)
    assert_operator boxes.call(after)[0][0], :>=, 1024
    after.size_px(0).each { |px| assert_in_delta 200, px, 1e-6 }
  end

  it "keeps sizes where there is room" do
    after = moved.call([0, 1, 2, 3])

    4.times { |island| after.size_px(island).each { |px| assert_in_delta 200, px, 1e-6 } }
  end
end
