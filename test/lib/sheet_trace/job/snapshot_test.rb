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

  it "takes from another state of the job what both have, and gives what reading all of it gives" do
    first = snapshot.dump(Demo.tea_caddy.job)
    blobs = first.blobs.dup
    near = reload.call(first)
    near.job.measures
    {
      "transform_islands" => {
        islands: [2],
        move_px: [3, 4]
      },
      "rename_island" => {
        island: 0,
        name: "Face"
      },
      "lay_flat" => {
      },
      "set_unit" => {
        unit_mm: 2
      }
    }.each do |name, parameters|
      changed = snapshot.dump(operate(first.job, name, **parameters).job, before: first)
      blobs.update(changed.blobs)
      document = JSON.parse(JSON.generate(changed.document), symbolize_names: true)
      alone, beside = [nil, near].map { |state| snapshot.load(document, blobs.method(:fetch), near: state) }

      assert_equal alone.document, beside.document
      assert_equal alone.job.layout.points_px, beside.job.layout.points_px
      assert_equal [alone.job.measures, alone.job.island_names, alone.job.findings.map(&:message)],
                   [beside.job.measures, beside.job.island_names, beside.job.findings.map(&:message)]
      same = changed.document[:parts][:layout][:surface] == first.document[:parts][:layout][:surface]

      assert_equal same, beside.job.layout.uv_map.equal?(near.job.layout.uv_map), name
    end
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
