# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::MergeVertices do
  merge = SheetTrace::Mesh::MergeVertices
  points = %w[0,0 1,0 1,1 0,1 1,0 2,0 2,1 1,1 5,5].map { |pair| "v #{pair.tr(",", " ")} 0" }
  mesh = ->(*between) { Models.read([*points, "o left", "f 1 2 3 4", *between, "f 5 6 7 8"].join("\n")).mesh }

  it "makes vertices on one place one, so that faces beside each other share an edge, and drops what no face has" do
    merged = merge.call(mesh.call)

    assert_equal 6, merged.vertex_count
    assert_equal 1, merged.edges.uses.eq(2).count
    assert_equal mesh.call.positions[mesh.call.corner_vertices, true], merged.positions[merged.corner_vertices, true]
  end

  it "leaves parts apart" do
    assert_equal 8, merge.call(mesh.call("o right")).vertex_count
  end

  it "names the faces that it would change" do
    assert_equal [0, 1], merge.faces_with_duplicates(mesh.call).to_a
    assert_empty merge.faces_with_duplicates(mesh.call("o right")).to_a
    assert_empty merge.faces_with_duplicates(merge.call(mesh.call)).to_a
  end
end
