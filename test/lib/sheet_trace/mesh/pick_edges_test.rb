# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::PickEdges do
  pick = SheetTrace::Mesh::PickEdges
  # A flat grid of 4 x 3 squares of 10 mm.
  mesh =
    lambda do
      points = (0..3).to_a.product((0..4).to_a).map { |y, x| "v #{x * 10} #{y * 10} 0" }
      faces =
        (0..2)
          .to_a
          .product((0..3).to_a)
          .map { |y, x| ((y * 5) + x + 1).then { |a| "f #{a} #{a + 1} #{a + 6} #{a + 5}" } }
      Models.read([*points, *faces].join("\n")).mesh
    end
  edge = ->(grid, a, b) { grid.edges.vertices.to_a.index([a, b].minmax) }
  ends = ->(grid, edges) { edges.map { |row| grid.edges.vertices[row, true].to_a } }

  it "follows a loop straight across a grid, from border to border" do
    grid = mesh.call

    assert_equal [[5, 6], [6, 7], [7, 8], [8, 9]], ends.call(grid, pick.edge_loop(grid, edge.call(grid, 6, 7))).sort
  end

  it "closes a loop round a cylinder" do
    tin = SheetTrace::Solids.build("ball", { sides: 16 }).mesh
    equator =
      tin.edges.vertices.to_a.index { |a, b| [a, b].all? { |vertex| (tin.positions[vertex, 1] - 40).abs < 1e-6 } }
    found = pick.edge_loop(tin, equator)

    assert_equal 16, found.uniq.size
    assert(ends.call(tin, found).flatten.all? { |vertex| (tin.positions[vertex, 1] - 40).abs < 1e-6 })
  end

  # On a grid every shortest way has the length |dx| + |dy|.
  it "finds the shortest run between two vertices" do
    grid = mesh.call
    run = pick.shortest_run(grid, 0, 13)

    assert_equal 5, run.size
    assert_equal [0, 13], ends.call(grid, run).flatten.tally.select { |_vertex, count| count == 1 }.keys.sort
  end

  it "finds no run where nothing joins the vertices, and refuses strangers" do
    apart = Models.read("v 0 0 0\nv 1 0 0\nv 0 1 0\nv 5 0 0\nv 6 0 0\nv 5 1 0\nf 1 2 3\nf 4 5 6\n").mesh

    assert_empty pick.shortest_run(apart, 0, 4)
    assert_refused(SheetTrace::InputError, { vertex: 9 }) { pick.shortest_run(apart, 0, 9) }
    assert_refused(SheetTrace::InputError, { edge: "x" }) { pick.edge_loop(apart, "x") }
  end

  it "keeps drawn seams with the job, and cuts along them when it is laid flat" do
    job = Models.job(Models.band(12, radius: 30.0, height: 20.0))
    rim = job.mesh.edges
    upright = rim.vertices.to_a.each_index.select { |row| rim.uses[row] == 2 }
    marked = operate(job, "mark_seams", edges: upright.values_at(0, 5))

    assert_equal "2 edges cut: 3 pieces", marked.sentence
    kept = SheetTrace::Job::Snapshot.dump(marked.job)
    again =
      SheetTrace::Job::Snapshot.load(
        JSON.parse(JSON.generate(kept.document), symbolize_names: true),
        kept.blobs.method(:fetch)
      ).job

    assert_equal marked.job.seams, again.seams
    assert_equal 3, operate(again, "lay_flat", by: "rollout").job.layout.uv_map.island_count
    assert_equal "2 edges closed: 1 piece",
                 operate(again, "mark_seams", edges: upright.values_at(0, 5), cut: false).sentence
  end
end
