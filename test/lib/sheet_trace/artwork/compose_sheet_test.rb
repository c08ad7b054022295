# frozen_string_literal: true

require "test_helper"
require "vips"

describe SheetTrace::Artwork::ComposeSheet do
  # A red picture inside a white border.
  picture =
    lambda do |width, height, border|
      red = Vips::Image.black(width, height, bands: 4).copy(interpretation: :srgb) + [200, 20, 20, 255]
      white =
        (Vips::Image.black(width + (2 * border), height + (2 * border), bands: 4) + [255, 255, 255, 255]).cast(
          :uchar
        ).copy(interpretation: :srgb)
      white.insert(red.cast(:uchar), border, border).copy_memory
    end

  it "lays pictures into a grid, trimmed, their proportions kept, and names the cells after them" do
    pictures = {
      "a.png" => picture.call(40, 20, 5),
      "b.png" => picture.call(10, 10, 3),
      "a.jpg" => picture.call(20, 40, 0)
    }
    sheet, cells = SheetTrace::Artwork::ComposeSheet.call(pictures, cell_px: [64, 64], gutter_px: 4)

    # Two columns and two rows of 64 px with gutters of 4.
    assert_equal [140, 140], [sheet.width, sheet.height]
    assert_equal ["a", "b", "a 2"], cells.map(&:name)
    assert_equal [[4, 20, 64, 32], [72, 4, 64, 64], [20, 72, 32, 64]],
                 cells.map { |cell| [cell.x, cell.y, cell.width, cell.height] }
    assert_equal [200, 20, 20, 255], sheet.getpoint(36, 36).map(&:round)
    assert_equal 0, sheet.getpoint(36, 10)[3]
  end

  it "refuses a sheet that would be too large, or of nothing" do
    assert_refused(SheetTrace::InputError, message: /choose the pictures/) do
      SheetTrace::Artwork::ComposeSheet.call({}, cell_px: [64, 64])
    end
    assert_refused(SheetTrace::InputError, { width_px: 9008 }, message: /9008 x 9008 px; take smaller cells/) do
      SheetTrace::Artwork::ComposeSheet.call({ "a" => picture.call(4, 4, 0) }, cell_px: [9000, 9000])
    end
  end
end
