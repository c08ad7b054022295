# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Fit::Match::Neighbours do
  neighbours = SheetTrace::Fit::Match::Neighbours
  box =
    SheetTrace::Job.start(
      SheetTrace::Solids.build("box", { width_mm: 40, height_mm: 30, depth_mm: 20 }),
      source_name: "b"
    )

  it "knows which panel of a box lies on which side of another, seen from outside" do
    units = (0...box.layout.uv_map.island_count).map { |island| [island] }
    found = neighbours.of_islands(box.layout.uv_map, units, box.method(:flat_map))
    side = ->(of, other) { found[box.island_names.index(of)][box.island_names.index(other)] }

    assert_equal 4, found[box.island_names.index("Front")].size
    { "Right" => [1, 0], "Left" => [-1, 0], "Top" => [0, -1], "Bottom" => [0, 1] }.each do |other, way|
      side.call("Front", other).zip(way) { |got, sign| assert_equal sign, got.abs < 1e-6 ? 0 : got <=> 0 }
    end

    assert_nil found[box.island_names.index("Front")].fetch(box.island_names.index("Back"), nil)
    assert_operator side.call("Back", "Left")[0], :>, 0 # from behind, left is on the right
  end

  it "finds boxes near by and the way to them" do
    found = neighbours.of_boxes([[0, 0, 10, 10], [12, 0, 22, 10], [60, 0, 70, 10]])

    assert_equal [{ 1 => [12, 0] }, { 0 => [-12, 0] }, {}], found
  end
end
