# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Job::Snapshot do
  snapshot = SheetTrace::Job::Snapshot
  reload =
    lambda do |dumped, blobs = dumped.blobs|
      snapshot.load(JSON.parse(JSON.generate(dumped.document), symbolize_names: true), blobs.method(:fetch))
    end

  it "brings a job back as it was" do
    job = Demo.tea_caddy.job
    job = operate(job, "transform_islands", islands: [2], move_px: [3, 4], turn_rad: 0.3, scale: [1.1, 0.9]).job
    job = operate(job, "rename_island", island: 0, name: "Face").job
    again = reload.call(snapshot.dump(job)).job

    assert_equal job.layout.points_px, again.layout.points_px
    assert_equal [job.measures, job.island_names, job.artwork, job.unit_mm],
                 [again.measures, again.island_names, again.artwork, again.unit_mm]
    assert_equal job.mesh.positions, again.mesh.positions
  end

  it "packs the surface once for as long as it stays" do
    first = snapshot.dump(Models.job(Models.panel))
    moved = operate(first.job, "transform_islands", islands: [0], move_px: [1, 0]).job
    second = snapshot.dump(moved, before: first)

    assert_equal 3, first.blobs.size # source, surface, placements
    assert_equal [second.document[:parts][:layout][:placements]], second.blobs.keys
    assert_equal moved.layout.points_px, reload.call(second, first.blobs.merge(second.blobs)).job.layout.points_px
  end
end
