# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe SheetTrace::Fit::BorderWatch do
  # A red cell of 32 x 48 px at 8, 8 on white, 64 x 64 px in all; the sheet has a px for each.
  pixels = Numo::UInt8.zeros(64, 64, 4) + 255
  pixels[8...56, 8...40, 1..2] = 0
  cells = [{ name: "red", x: 8, y: 8, width: 32, height: 48 }]
  define_method(:set) do |inset|
    job =
      operate(
        Models.job(Demo::TeaCaddy.obj, width_px: 64, height_px: 64),
        "add_underlay",
        picture: "64x64",
        name: "red.png"
      ).job
    job = operate(job, "set_cells", index: 0, cells: cells).job
    operate(job, "set_into_cells", assignments: [{ islands: [0], cell: 0, way: "fill" }], inset_px: inset).job
  end
  look =
    lambda do |job|
      SheetTrace::Fit::BorderWatch.call(job.layout, job.fit_setup.underlay, pixels).find { |seen| seen.island.zero? }
    end

  it "sees no rim at full size where an island fills its cell to the px, but in every reduced copy" do
    seen = look.call(set(0))

    assert_in_delta 0, seen.inside_px, 1e-9
    assert_in_delta 0, seen.rims[1], 1e-9
    assert_equal 2, seen.rim_from
    assert_operator seen.rims[2], :>, 0.9
  end

  # In a copy reduced by n, a place mixes px of n whose middles lie up to n away: with an edge on a multiple of n, n /
  # 2 inside is enough.
  it "tells to which reduction an inset is enough" do
    assert_equal 4, look.call(set(1.5)).rim_from
    assert_equal 8, look.call(set(3)).rim_from
    assert_nil look.call(set(4)).rim_from
    assert_in_delta 4, look.call(set(4)).inside_px, 1e-9
  end

  it "tells by how much an island juts out, and that it samples what is there" do
    job = operate(set(0), "transform_islands", islands: [0], move_px: [-3, 0]).job
    seen = look.call(job)

    assert_in_delta(-3, seen.inside_px, 1e-9)
    assert_equal 1, seen.rim_from
  end
end
