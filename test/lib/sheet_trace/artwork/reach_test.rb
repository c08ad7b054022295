# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::Reach do
  # Six panels of a box, a colour over all of them, and labels on two.
  it "tells the islands that layers lie on, and how much of them others hide" do
    job =
      SheetTrace::Job.start(
        SheetTrace::Solids.build("box", { width_mm: 80, height_mm: 120, depth_mm: 50 }),
        source_name: "b"
      )
    job = operate(job, "add_layer", id: "all", content: { kind: "fill", color: "#204060" }).job
    island = job.island_names.index("Front") || 0
    size = job.flat_map(island).size_mm.min
    place = { kind: "island", island: island, width_mm: size / 2 }
    job = operate(job, "add_layer", id: "low", content: { kind: "fill", color: "#ffffff" }, place: place).job
    half = { **place, x_mm: size / 4 }
    job = operate(job, "add_layer", id: "high", content: { kind: "fill", color: "#000000" }, place: half).job
    reach = ->(state) { described_reach(state).to_h { |own| [own.id, own] } }
    found = reach.call(job)

    assert_equal (0...job.layout.uv_map.island_count).to_a, found["all"].islands
    assert_equal [island], found["low"].islands
    assert_in_delta 0.5, found["low"].covered, 0.03
    assert_equal ["high"], found["low"].under
    assert_equal [0.0, []], found["high"].then { |own| [own.covered, own.under] }
    glazed = operate(job, "change_layer", id: "high", blend: "multiply").job

    assert_in_delta(0.0, reach.call(glazed)["low"].covered)
    assert_nil reach.call(operate(job, "change_layer", id: "low", visible: false).job)["low"]
  end

  it "tells what is made of what is below it too" do
    job =
      SheetTrace::Job.start(
        SheetTrace::Solids.build("box", { width_mm: 80, height_mm: 120, depth_mm: 50 }),
        source_name: "b"
      )
    job = operate(job, "add_layer", content: { kind: "fill", color: "#204060" }).job
    job = operate(job, "add_layer", id: "seams", content: { kind: "seam_blend", width_mm: 6 }).job

    assert_equal (0...job.layout.uv_map.island_count).to_a, described_reach(job).last.islands
  end

  define_method(:described_reach) do |job|
    size = SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 512)
    SheetTrace::Artwork::Reach.call(job.artwork, job.canvas(size: size, pictures: nil))
  end
end
