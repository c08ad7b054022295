# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Operations::KeepMap do
  again =
    lambda do |job, before: nil|
      kept = SheetTrace::Job::Snapshot.dump(job, before: before)
      blobs = (before&.blobs || {}).merge(kept.blobs)
      SheetTrace::Job::Snapshot.load(
        JSON.parse(JSON.generate(kept.document), symbolize_names: true),
        blobs.method(:fetch)
      )
    end

  it "goes back to a map as it was kept: cut, places and sheet" do
    job = Demo.lantern_shade.job
    kept = operate(job, "keep_map", name: "as it came").job
    other =
      operate(
        operate(kept, "lay_flat", by: "unfold", seams: "angle").job,
        "resize_sheet",
        width_px: 2048,
        height_px: 512
      ).job
    back = operate(other, "take_kept_map", index: 0).job

    refute_equal job.layout.uv_map.island_count, other.layout.uv_map.island_count
    mapped = job.layout.uv_map.face_mapped[job.mesh.corner_faces].where

    assert_equal job.layout.corner_uvs[mapped, true], back.layout.corner_uvs[mapped, true]
    assert_equal [job.sheet, job.island_names], [back.sheet, back.island_names]
    assert_empty operate(back, "drop_kept_map", index: 0).job.kept_maps
  end

  it "is kept with the job, and read only when it is looked at" do
    job = operate(Demo.tea_caddy.job, "keep_map", name: "first").job
    loaded = again.call(job)
    moved = operate(loaded.job, "transform_islands", islands: [0], move_px: [5, 0]).job
    document = SheetTrace::Job::Snapshot.dump(moved, before: loaded).document

    assert_equal [loaded.document[:kept_maps]], [document[:kept_maps]]
    assert_equal ["first"], again.call(job).job.kept_maps.map(&:name)
    assert_equal job.layout.placements, loaded.job.kept_maps[0].layout.placements
  end

  it "opens jobs that were kept before there were kept maps" do
    kept = SheetTrace::Job::Snapshot.dump(Demo.tea_caddy.job)

    assert_empty SheetTrace::Job::Snapshot
                   .load(kept.document.except(:kept_maps), kept.blobs.method(:fetch))
                   .job
                   .kept_maps
  end

  it "sums a layout up in figures" do
    panel = Models.panel(width: 80, height: 120, uvs: [[0, 0], [0.5, 0], [0.5, 1], [0, 1]])
    summary = SheetTrace::Layout::Summary.call(Models.job(panel, width_px: 400, height_px: 300).layout, unit_mm: 1.0)

    # 200 x 300 px for 80 x 120 mm: half of the sheet, 2.5 px/mm both ways.
    assert_equal 1, summary.islands
    assert_in_delta 0.5, summary.used, 1e-12
    assert_in_delta 1, summary.stretch_worst, 1e-12
    summary.density_px_per_mm.each { |density| assert_in_delta 2.5, density, 1e-12 }
  end

  it "says which of two maps is better, figure by figure, and which are alike" do
    summary =
      lambda do |**changes|
        SheetTrace::Layout::Summary.new(
          islands: 3,
          stretch_mean: 1.1,
          stretch_worst: 1.5,
          density_px_per_mm: [2.0, 4.0],
          used: 0.5,
          turned: 0,
          **changes
        )
      end

    assert_equal [0], summary.call.compared(summary.call(islands: 5, used: 0.5004)).values.uniq
    {
      stretch_mean: 1.2,
      stretch_worst: nil,
      density_px_per_mm: [1.0, 4.0],
      used: 0.4,
      turned: 1
    }.each do |figure, worse|
      found = summary.call.compared(summary.call(figure => worse))

      assert_equal({ figure => 1 }, found.reject { |_name, rank| rank.zero? })
      assert_equal(-1, summary.call(figure => worse).compared(summary.call)[figure])
    end
    # The same spread of densities at another size of sheet is neither better nor worse.
    assert_equal 0, summary.call.compared(summary.call(density_px_per_mm: [20.0, 40.0]))[:density_px_per_mm]
  end

  it "refuses a name that is taken, and a map of a model that has changed" do
    job = operate(Demo.lantern_shade.job, "keep_map", name: "one").job

    assert_refused(SheetTrace::InvalidOperationError, message: /another kept map is called "one"/) do
      operate(job, "keep_map", name: "one")
    end
    changed = operate(job, "flip_normals", faces: [0]).job

    assert_refused(SheetTrace::InvalidOperationError, message: /it no longer fits/) do
      operate(changed, "take_kept_map", index: 0)
    end
  end
end
