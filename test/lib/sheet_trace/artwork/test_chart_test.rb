# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::TestChart do
  it "has squares of 10 mm at the density given" do
    size = SheetTrace::Layout::Sheet.new(width_px: 200, height_px: 100)
    image = SheetTrace::Artwork::TestChart.call(size, density_px_per_mm: 4.0)
    corners = [[1, 1], [39, 1], [41, 1], [79, 1], [81, 1], [1, 41]].map { |x, y| image.getpoint(x, y) }

    assert_equal corners[0], corners[1]
    refute_equal corners[1], corners[2]
    assert_equal corners[2], corners[3]
    assert_equal corners[0], corners[4]
    assert_equal corners[2], corners[5]
  end

  it "letters rows as far as they go" do
    assert_equal %w[A Z AA AZ BA], [0, 25, 26, 51, 52].map { |row| SheetTrace::Artwork::TestChart.letters(row) }
  end

  it "stays quick where squares would be smaller than a px" do
    size = SheetTrace::Layout::Sheet.new(width_px: 2048, height_px: 2048)

    assert_equal [2048, 2048],
                 SheetTrace::Artwork::TestChart
                   .call(size, density_px_per_mm: 1e-6)
                   .then { |image| [image.width, image.height] }
  end
end
