# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Operations::Relax do
  # A wavy square of n x n cells, seen from above: its steep places are squeezed.
  wavy =
    lambda do |n = 12|
      points =
        (0..n).to_a.product((0..n).to_a).map { |j, i| "v #{i} #{(Math.sin(i * 0.7) + Math.cos(j * 0.6)) * 1.5} #{-j}" }
      uvs = (0..n).to_a.product((0..n).to_a).map { |j, i| "vt #{0.1 + (0.8 * i / n)} #{0.1 + (0.8 * j / n)}" }
      faces =
        (0...n)
          .to_a
          .product((0...n).to_a)
          .map do |j, i|
            ((j * (n + 1)) + i + 1).then do |a|
              "f #{[a, a + 1, a + n + 2, a + n + 1].map { |k| "#{k}/#{k}" }.join(" ")}"
            end
          end
      Models.job([*points, *uvs, *faces].join("\n"))
    end
  border =
    lambda do |job|
      job.layout.uv_map.edges.then do |edges|
        job.layout.uv_map.point_vertices[edges.points[edges.outline.where, true].flatten].to_a.uniq
      end
    end
  # UVs of vertices as bytes, so that not a bit may differ.
  bits =
    lambda do |job, vertices|
      vertices.map { |vertex| job.layout.corner_uvs[job.mesh.corner_vertices.eq(vertex).where, true].to_binary }
    end

  it "evens out spacing with a free border" do
    job = wavy.call
    after = operate(job, "relax", islands: [0]).job

    assert_operator after.measures[0].stretch_mean, :<, job.measures[0].stretch_mean
    assert_operator after.measures[0].stretch_mean, :<, 1.15
  end

  it "holds the border to the bit, and moves what is inside" do
    job = wavy.call
    after = operate(job, "relax", islands: [0], border: "held").job
    held = border.call(job)

    assert_equal bits.call(job, held), bits.call(after, held)
    refute_equal job.layout.points_uv, after.layout.points_uv
  end

  it "holds pins to the bit" do
    job = wavy.call
    after = operate(job, "relax", islands: [0], pins: [40, 85]).job

    assert_equal bits.call(job, [40, 85]), bits.call(after, [40, 85])
    assert_operator after.measures[0].stretch_mean, :<, job.measures[0].stretch_mean
  end

  it "can be watched, stopped, and done again up to the same step" do
    job = wavy.call
    seen = []
    stopped =
      SheetTrace::Operations::Relax
        .new(islands: [0])
        .watch(job) { |_after, facts| (seen << facts.values_at(:step, :spacing)).size < 2 }

    assert_equal [1, 2], seen.map(&:first)
    assert_operator seen[1][1], :<, seen[0][1]
    assert_equal operate(job, "relax", islands: [0], steps: 2).job.layout.points_uv, stopped.layout.points_uv
  end

  it "counts steps over all islands, so that what was seen when it was stopped is what is kept" do
    job = operate(wavy.call, "detach_faces", faces: (0...72).to_a).job
    seen = []
    stopped =
      SheetTrace::Operations::Relax
        .new(islands: [0, 1])
        .watch(job) do |after, facts|
          seen << after.layout.points_uv
          facts[:step] < 2 || seen.size < 12
        end

    assert_equal operate(job, "relax", islands: [0, 1], steps: seen.size).job.layout.points_uv, stopped.layout.points_uv
  end

  it "works on a mirrored island and on a sheet that is not square" do
    job = wavy.call
    mirrored =
      operate(operate(job, "resize_sheet", width_px: 2048, height_px: 512).job, "reflect_islands", islands: [0]).job
    after = operate(mirrored, "relax", islands: [0]).job

    assert_operator after.measures[0].stretch_mean, :<, 1.15
    assert_equal mirrored.measures[0].mirrored, after.measures[0].mirrored
  end

  it "leaves other islands alone to the bit" do
    job = Demo.tea_caddy.job
    before = operate(job, "transform_islands", islands: [0], scale: [1.3, 0.8]).job
    after = operate(before, "relax", islands: [0]).job
    others = job.layout.uv_map.face_islands[job.mesh.corner_faces].ne(0).where

    assert_equal before.layout.corner_uvs[others, true].to_binary, after.layout.corner_uvs[others, true].to_binary
  end

  it "refuses what folds over, what is held all round, and strangers" do
    job = wavy.call(4)
    folded =
      SheetTrace::Job::Remap.with_points(
        job,
        job.layout.points_uv.copy.tap { |uv| uv[12, true] = Numo::DFloat[3.0, 3.0] }
      )

    assert_refused(SheetTrace::MeshError, message: /turned over.*lay it flat anew/) do
      operate(folded, "relax", islands: [0])
    end
    assert_refused(SheetTrace::MeshError, message: /nothing is left to move/) do
      operate(Models.job(Models.panel), "relax", islands: [0], border: "held")
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /no corner 9999/) do
      operate(job, "relax", islands: [0], pins: [9999])
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /border is "soft"/) do
      operate(job, "relax", islands: [0], border: "soft")
    end
  end
end
