# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::FindEdges do
  # A tetrahedron, its faces seen from outside.
  tetrahedron = ["v 0 0 0", "v 1 0 0", "v 0 1 0", "v 0 0 1", "f 1 3 2", "f 1 2 4", "f 2 3 4", "f 3 1 4"].join("\n")
  edges = ->(obj) { Models.read(obj).mesh.edges }

  # Euler's formula: V - E + F = 2 on a closed surface without handles.
  it "lists each edge once, with the two faces of a closed surface" do
    own = edges.call(tetrahedron)

    assert_equal 4 + 4 - 2, own.count
    assert_equal [[0, 1], [0, 2], [0, 3], [1, 2], [1, 3], [2, 3]], own.vertices.to_a.sort
    assert_equal [2], own.uses.to_a.uniq
  end

  it "says where a corner's edge runs, both ways between faces that agree" do
    own = edges.call(tetrahedron)
    first, second = own.paired_corners

    assert_equal own.corner_edges[first].to_a, own.corner_edges[second].to_a
    assert_empty own.forward[first].eq(own.forward[second]).where.to_a
  end

  it "pairs nothing at borders and where three faces meet" do
    fan = ["v 0 0 0", "v 1 0 0", "v 0 1 0", "v 0 0 1", "v 0 -1 0", "f 1 2 3", "f 1 2 4", "f 1 2 5"].join("\n")
    own = edges.call(fan)

    assert_equal [3, 1, 1, 1, 1, 1, 1], own.uses.to_a.sort.reverse
    assert_equal [[], []], own.paired_corners.map(&:to_a)
  end
end
