# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::Differences do
  define_method(:differ) { |before, after| SheetTrace::Job::Differences.call(before, after) }
  let(:caddy) { Models.job(Demo::TeaCaddy.obj) }
  let(:art) { operate(caddy, "add_layer", id: "n", name: "Name", content: { kind: "fill", color: "#204060" }).job }

  it "says nothing of what is the same" do
    assert_empty differ(art, art)
    assert_empty differ(
                   caddy,
                   operate(
                     operate(caddy, "transform_islands", islands: [0], move_px: [9, 0]).job,
                     "transform_islands",
                     islands: [0],
                     move_px: [-9, 0]
                   ).job
                 )
  end

  it "names islands that moved, were renamed or cut anew" do
    names = caddy.island_names
    moved = operate(caddy, "transform_islands", islands: [1, 2], move_px: [3, 0]).job

    assert_equal ["Islands moved, turned or sized: #{names[1]}, #{names[2]}"], differ(caddy, moved)
    renamed = operate(caddy, "rename_island", island: 0, name: "Lid").job

    assert_equal ["Island #{names[0]} is now Lid"], differ(caddy, renamed)
    joined = operate(caddy, "lay_flat", by: "best").job

    assert_includes differ(caddy, joined).join, "cut anew"
    large = operate(caddy, "resize_sheet", width_px: 2048, height_px: 1024).job

    assert_includes differ(caddy, large), "The sheet: 1024 x 1024 -> 2048 x 1024 px"
  end

  it "names layers and editions that came, went or changed" do
    changed =
      operate(operate(art, "change_layer", id: "n", content: { color: "#ff0000" }).job, "add_edition", name: "Plum").job
    more = operate(changed, "add_layer", name: "Lid", content: { kind: "fill", color: "#111111" }).job

    assert_equal ["Layer added: Lid", "Name shows #ff0000", "Editions added: Plum"], differ(art, more)
    assert_equal ["Layer gone: Name"], differ(art, operate(art, "remove_layer", id: "n").job)
    faded = operate(art, "change_layer", id: "n", opacity: 0.5, name: "Ground").job

    assert_equal ["Name renamed Ground, is blended or masked otherwise"], differ(art, faded)
    replaced = operate(more, "replace_in_edition", id: "n", edition: "Plum", visible: false).job

    assert_equal ["Edition Plum replaces otherwise"], differ(more, replaced)
  end
end
