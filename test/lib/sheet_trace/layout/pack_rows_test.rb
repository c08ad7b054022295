# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::PackRows do
  it "keeps rectangles apart and on the sheet, at one scale" do
    random = Random.new(3) # any seed does
    sizes = Array.new(60) { [random.rand(1.0..20.0), random.rand(1.0..20.0)] }
    sheet = SheetTrace::Layout::Sheet.new(width_px: 700, height_px: 500)
    places, scale = SheetTrace::Layout::PackRows.call(sizes, sheet: sheet, gutter_px: 6)
    boxes = places.zip(sizes).map { |(x, y), (w, h)| [x, y, x + (w * scale), y + (h * scale)] }

    assert boxes.all? { |left, top, right, bottom| left >= 6 && top >= 6 && right <= 694 && bottom <= 494 }
    boxes.combination(2) do |a, b|
      assert a[0] >= b[2] + 5.999 || b[0] >= a[2] + 5.999 || a[1] >= b[3] + 5.999 || b[1] >= a[3] + 5.999
    end
  end
end
