# frozen_string_literal: true

require_relative "../../test_helper"
require_relative "../../../demo/tea_caddy"

describe SheetTrace::Layout do
  sheet = SheetTrace::Layout::Sheet

  # "vt u v: u is the horizontal, v the vertical direction, (0, 0) lower left" (OBJ, appendix B1); PNG counts
  # rows from the top. So (u, v) lies at (u * width, (1 - v) * height) px.
  it "puts a vertex at UV (u, v) at (u * width, (1 - v) * height) px" do
    assert_equal [[0, 512], [1024, 0], [256, 128]],
                 sheet.new(width_px: 1024, height_px: 512).to_px(Numo::DFloat[[0, 0], [1, 1], [0.25, 0.75]]).to_a
  end

  it "takes sides from 16 to 8192 px, whole numbers" do
    [15, 8193, 0, 100_000, 64.5, nil].each do |px|
      assert_refused(SheetTrace::InputError, { width_px: px }) { sheet.new(width_px: px, height_px: 64) }
    end

    assert_equal "16 x 8192 px", sheet.new(width_px: 16, height_px: 8192).to_s
  end

  it "reads a size, and refuses what is none" do
    assert_equal sheet.new(width_px: 640, height_px: 48), sheet.parse("640x48")
    assert_refused(SheetTrace::InputError, { size: "big" }) { sheet.parse("big") }
  end

  it "turns islands in px, so that they keep their shape on a sheet that is not square" do
    layout = Models.job(Models.panel, width_px: 1000, height_px: 250).layout
    lengths = ->(points) { (0..3).map { |i| Math.hypot(*(points[i, true] - points[(i + 1) % 4, true]).to_a) } }
    turned = layout.place([0], SheetTrace::Geometry::Affine.turn(0.7).about(300, 100))

    lengths
      .call(layout.points_px)
      .zip(lengths.call(turned.points_px)) { |before, after| assert_in_delta before, after, 1e-9 }
  end

  it "moves only the islands asked for" do
    two = [
      "v 0 0 0",
      "v 1 0 0",
      "v 0 1 0",
      "vt 0 0",
      "vt 0.3 0",
      "vt 0 0.3",
      "vt 0.5 0.5",
      "vt 0.9 0.5",
      "vt 0.5 0.9",
      "f 1/1 2/2 3/3",
      "f 1/4 2/5 3/6"
    ].join("\n")
    layout = Models.job(two).layout
    moved = layout.place([1], SheetTrace::Geometry::Affine.move(10, -5))
    still = layout.uv_map.island_points[0]

    assert_equal layout.points_px[still, true], moved.points_px[still, true]
    assert_equal [1], moved.islands_moved_since(layout)
    assert_in_delta layout.boxes_px[1, 0] + 10, moved.boxes_px[1, 0], 1e-9
  end

  it "tells islands that lie across the border from those of which nothing lies on the sheet" do
    job = Models.job(Demo::TeaCaddy.obj) # Front at 24, 24 to 344, 504 px
    moved = ->(by) { operate(job, "transform_islands", islands: [0], move_px: by).job.layout }
    { [0, 0] => [[], []], [-40, 0] => [[0], []], [-344, 0] => [[0], [0]], [0, 1000] => [[0], [0]] }.each do |by, wanted|
      layout = moved.call(by)

      assert_equal wanted, [layout.islands_off_sheet, layout.islands_beside_sheet], by.inspect
    end
  end

  it "stretches islands along with the sheet, or keeps their shape" do
    layout = Models.job(Models.panel, width_px: 1000, height_px: 1000).layout
    wide = sheet.new(width_px: 2000, height_px: 1000)
    box = ->(state) { state.boxes_px[0, true].to_a.map { |px| px.round(6) } }

    assert_equal [200.0, 300.0, 1000.0, 900.0], box.call(layout.resize(wide, keep: "uv"))
    assert_equal [100.0, 300.0, 500.0, 900.0], box.call(layout.resize(wide, keep: "shape"))
    assert_equal [100.0, 300.0, 500.0, 900.0], box.call(layout.resize(wide, keep: "px"))
    assert_equal [600.0, 300.0, 1000.0, 900.0], box.call(layout.resize(wide, keep: "px", anchor: [0.5, 1.0]))
    assert_refused(SheetTrace::InputError, { keep: "x" }) { layout.resize(wide, keep: "x") }
  end
end
