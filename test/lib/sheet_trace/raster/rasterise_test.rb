# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Raster::Rasterise do
  covered =
    lambda do |triangles, width = 16, height = 12|
      texels, owners = SheetTrace::Raster::Rasterise.call(Numo::DFloat.cast(triangles), width, height)
      texels.to_a.zip(owners.to_a)
    end

  it "takes the texels whose centres lie inside, by arithmetic" do
    # Under the line from (0, 0) to (4, 4): centres (x + 0.5, y + 0.5) with x < y, and those on it by the rule of edges.
    below = covered.call([[[0, 0], [4, 4], [0, 4]]]).map { |texel, _| texel.divmod(16).reverse }

    assert_empty below.select { |x, y| x > y }
    assert_equal [[0, 1], [0, 2], [0, 3], [1, 2], [1, 3], [2, 3]], below.select { |x, y| x < y }.sort
  end

  it "takes each texel of a square once, however it is cut and whichever way its triangles run" do
    corners = [[1.3, 0.8], [11.9, 2.1], [9.2, 10.7], [0.4, 8.8]]
    whole = covered.call([corners.values_at(0, 1, 2), corners.values_at(0, 2, 3)]).map(&:first).sort

    assert_equal whole.uniq, whole
    assert_equal whole, covered.call([corners.values_at(1, 0, 3), corners.values_at(3, 2, 1)]).map(&:first).sort
  end

  it "holds to the sheet, and takes nothing for lines, points and what lies off it" do
    assert_equal 16 * 12, covered.call([[[-99, -99], [999, -99], [-99, 999]]]).size
    assert_empty covered.call([[[0, 0], [9, 9], [4, 4]], [[3, 3], [3, 3], [3, 3]], [[20, 1], [30, 1], [20, 9]]])
    assert_empty covered.call(Numo::DFloat.zeros(0, 3, 2))
  end
end
