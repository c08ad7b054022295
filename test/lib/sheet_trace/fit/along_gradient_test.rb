# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Fit::AlongGradient do
  layout = Models.job(Models.panel).layout # a panel 120 mm high
  box = [600.0, 100.0, 700.0, 300.0]
  places =
    lambda do |way:, reverse: false, direction: [0.0, 1.0, 0.0]|
      SheetTrace::Fit::AlongGradient.call(layout, [0], box, [2.0, 4.0], direction, way: way, reverse: reverse)
    end

  it "spreads an island over a gradient by its height, from the middle of the first px to that of the last" do
    down = places.call(way: "down")
    heights = layout.uv_map.mesh.positions[layout.uv_map.point_vertices, 1].to_a

    heights.zip(down[true, 1].to_a) { |height, y| assert_in_delta 102 + (height / 120 * 196), y, 1e-9 }
    assert_equal [601, 699], down[true, 0].minmax
  end

  it "goes across, and the other way round" do
    across = places.call(way: "across", direction: [1.0, 0.0, 0.0])
    reversed = places.call(way: "across", direction: [1.0, 0.0, 0.0], reverse: true)

    assert_equal [601, 699], across[true, 0].minmax
    (across[true, 0] + reversed[true, 0]).to_a.each { |sum| assert_in_delta 1300, sum, 1e-9 }
  end

  it "puts what is all at one height into the middle" do
    assert_equal [200], places.call(way: "down", direction: [0.0, 0.0, 1.0])[true, 1].to_a.uniq
  end
end
