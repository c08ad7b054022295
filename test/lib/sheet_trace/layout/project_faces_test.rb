# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::ProjectFaces do
  it "gives each face its true shape, at one scale, upright and on the sheet" do
    job = Models.job(Models.ball(6, 8, 25.0))
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

  it "says so" do
    note = Models.job(Models.ball(4, 6, 1.0)).notes.last

    assert_equal "faces_projected", note.code
    assert_match(/each of its 24 faces/, note.message)
  end
end
