# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::MakeRoom do
  make_room = SheetTrace::Layout::MakeRoom
  # A panel from 102.4 to 512 px across and 307.2 to 921.6 px down on 1024 px.
  layout = Models.job(Models.panel).layout
  room = ->(boxes, **options) { make_room.call(layout, boxes, without: [], gutter_px: 8, **options) }

  it "puts boxes where they would best be if nothing is there, and leaves the layout as it is" do
    same, places, scale = room.call([[100.0, 100.0, 700.0, 600.0]])

    assert_same layout, same
    assert_in_delta 1.0, scale
    places.first.zip([700, 600]) { |got, px| assert_in_delta px, got, 2 } # a cell of the search is 2 px
  end

  it "covers neither islands nor each other, and keeps the gutter" do
    _, places, = room.call([[200.0, 200.0, 300.0, 500.0], [200.0, 200.0, 300.0, 500.0]])
    boxes = [layout.boxes_px[0, true].to_a, *places.map { |x, y| [x, y, x + 200, y + 200] }]
    boxes.combination(2) do |a, b|
      apart = [[b[0] - a[2], a[0] - b[2]].max, [b[1] - a[3], a[1] - b[3]].max].max

      assert_operator apart, :>=, 6 # the gutter less a cell
    end
  end

  it "makes all smaller together where they don't fit, or says so" do
    boxes = [[900.0, 900.0, 0.0, 0.0]]
    smaller, places, scale = room.call(boxes)

    assert_operator scale, :<, 0.7
    assert_in_delta layout.size_px(0)[0] * scale, smaller.size_px(0)[0], 1e-6
    assert_operator places.first.map { |px| px + (900 * scale) }.max, :<=, 1024
    error = assert_refused(SheetTrace::LayoutError, { boxes: 1 }) { room.call(boxes, shrink: false) }

    assert_match(/no room for 1 island/, error.message)
  end
end
