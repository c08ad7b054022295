# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::ProjectFaces do
  it "gives each face its true shape, at one scale, upright and on the sheet" do
    job = operate(Models.job(Models.ball(6, 8, 25.0)), "lay_flat", by: "square_on", seams: "all").job
    sheet = job.sheet
    map = SheetTrace::Layout::ProjectFaces.call(job.mesh, sheet: sheet)
    job = job.with(layout: SheetTrace::Layout.new(uv_map: map, sheet: sheet))
    densities = job.measures.map(&:density_px_per_mm)

    assert_equal job.mesh.face_count, job.layout.uv_map.island_count
    assert_in_delta densities.min, densities.max, 1e-9
    job.measures.each do |measure|
      assert_in_delta 1, measure.stretch_worst, 1e-9
      assert_in_delta 0, measure.up_angle_rad, 1e-6
      refute measure.mirrored
    end

    assert_operator job.layout.points_px.min, :>=, 0
    assert_operator job.layout.points_px.max, :<=, 1024
  end

  it "is done to models without UVs that are too large to be laid flat at once, which are told of either way" do
    large = Models.job(Models.ball(60, 90, 30.0))

    assert_equal large.mesh.face_count, large.layout.uv_map.island_count
    assert_match(/5400 faces were laid square-on each/, large.notes.last.message)

    note = Models.job(Models.ball(4, 6, 1.0)).notes.last

    assert_equal "faces_projected", note.code
    assert_match(/24 faces were laid flat, each part in its best way/, note.message)
  end
end
