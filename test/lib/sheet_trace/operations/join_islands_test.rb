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
end
