# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::EarClipping do
  # Twice a polygon's area by the shoelace formula (Gauss).
  shoelace =
    lambda do |points|
      points.each_index.sum { |i| (points[i - 1][0] * points[i][1]) - (points[i][0] * points[i - 1][1]) }
    end

  it "keeps the area of a dented polygon, with no triangle turned" do
    arrow = [[0, 0], [4, 0], [4, 4], [2, 1], [0, 4]]
    triangles = SheetTrace::Geometry::EarClipping.call(arrow)
    areas = triangles.map { |triangle| shoelace.call(arrow.values_at(*triangle)) }

    assert_equal 3, triangles.size # n - 2
    assert areas.all?(&:positive?)
    assert_in_delta shoelace.call(arrow), areas.sum, 1e-12
  end

  it "ends on a polygon that crosses itself" do
    assert_equal 2, SheetTrace::Geometry::EarClipping.call([[0, 0], [1, 1], [1, 0], [0, 1]]).size
  end
end
