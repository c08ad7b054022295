# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Layout::Pack::Outlines do
  lines = ->(obj) { SheetTrace::Layout::Pack::Outlines.call(Models.job(obj).layout) }
  # By Green's theorem, the area that directed lines enclose.
  area = ->(own) { own.sum { |x, y, to_x, to_y, layers| layers * ((x * to_y) - (to_x * y)) / 2 } }

  it "goes once round an island, without the diagonals of its faces" do
    own = lines.call(Models.panel).first

    assert_equal 4, own.size
    assert_in_delta 409.6 * 614.4, area.call(own).abs, 1e-6
  end

  it "encloses as much of a mirrored island" do
    mirrored = lines.call(Models.panel(uvs: [[0.5, 0.1], [0.1, 0.1], [0.1, 0.7], [0.5, 0.7]])).first

    assert_in_delta area.call(lines.call(Models.panel).first), area.call(mirrored), 1e-6
  end

  it "goes round a hole too, so that it takes no room" do
    ring =
      SheetTrace::Job.start(
        SheetTrace::Solids.build("ring", { outer_mm: 40.0, inner_mm: 20.0, sides: 16 }),
        source_name: "r"
      )
    all = SheetTrace::Layout::Pack::Outlines.call(ring.layout)
    measures = ring.measures
    all.each_with_index do |own, island|
      wanted = (measures[island].density_px_per_mm**2) * ring.layout.uv_map.island_areas[island]

      assert_in_delta wanted, area.call(own).abs, wanted * 1e-6
    end
  end
end
