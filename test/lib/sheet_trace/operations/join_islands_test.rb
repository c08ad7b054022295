# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe "joining islands" do
  caddy = -> { Models.job(Demo::TeaCaddy.obj) }
  between =
    lambda do |job, *names|
      islands = names.map { |name| job.island_names.index(name) }
      map = job.layout.uv_map
      edges = job.mesh.edges
      (0...edges.uses.size).find do |edge|
        map.face_islands[job.mesh.corner_faces[edges.corner_edges.eq(edge).where]].to_a.sort == islands.sort
      end
    end

  it "lays one panel against another along their common edge, at one scale" do
    job = caddy.call
    job = operate(job, "transform_islands", islands: [3], scale: [0.5, 0.5]).job # the back, which lies sideways
    joined = operate(job, "join_islands", edges: [between.call(job, "Right", "Back")])

    assert_equal "1 island joined on, 5 left", joined.sentence
    measure = joined.job.measures.find { |candidate| candidate.faces == 2 }

    assert_in_delta 1, measure.stretch_worst, 1e-9
    # as the front, which stayed
    assert_in_delta joined.job.measures[0].density_px_per_mm, measure.density_px_per_mm, 1e-9
    [130, 120].zip(measure.size_mm) { |expected, got| assert_in_delta expected, got, 1e-6 }
    refute measure.mirrored
  end

  it "turns a mirrored panel over before it joins" do
    job = operate(caddy.call, "reflect_islands", islands: [1]).job
    joined = operate(job, "join_islands", edges: [between.call(job, "Front", "Left")]).job
    measure = joined.measures.find { |candidate| candidate.faces == 2 }

    assert_equal [false, 1.0], [measure.mirrored, measure.stretch_worst.round(9)]
  end

  # A box cut along 7 of its 12 edges is a net of 6 faces, 14 corners and 19 edges: 5 folds and 14 borders.
  it "grows a carton's net round its front panel" do
    grown = operate(caddy.call, "grow_net", island: 0)
    map = grown.job.layout.uv_map

    assert_equal "Net of Front: 5 islands joined on", grown.sentence
    assert_equal [1, 14, 19, 14],
                 [map.island_count, map.point_count, map.edges.outline.size, map.edges.outline.count_true]
    assert_in_delta 1, grown.job.measures[0].stretch_worst, 1e-9
    assert_empty grown.job.findings.map(&:code) & %w[overlap fold_over off_sheet]
  end

  it "leaves out what would come to lie on the net" do
    job = SheetTrace::Job.start(SheetTrace::Solids.build("ring", { sides: 8 }), source_name: "ring")
    job = operate(job, "lay_flat", by: "direction", seams: "angle").job
    grown = operate(job, "grow_net", island: 0).job

    assert_empty grown.findings.map(&:code) & %w[overlap fold_over]
    assert_operator grown.layout.uv_map.island_count, :<, job.layout.uv_map.island_count
  end
end
