# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::UvMap::FindNeighbours do
  find = SheetTrace::UvMap::FindNeighbours

  # The same, edge by edge, from the faces' vertices.
  define_method(:looked_up) do |map|
    mesh = map.mesh
    sides = Hash.new { |hash, key| hash[key] = [] }
    mesh.corner_vertices.size.times do |corner|
      ends = [corner, mesh.next_corners[corner]].map { |own| mesh.corner_vertices[own] }
      sides[ends.sort] << corner
    end
    map.edges.points.to_a.each_with_index.map do |points, row|
      next -1 unless map.edges.outline[row] == 1

      ends = points.map { |point| map.point_vertices[point] }.sort
      own = sides[ends].find { |corner| map.edges.corner_edges[corner] == row }
      other = (sides[ends] - [own]).find { |corner| map.edges.corner_edges[corner] >= 0 }
      other ? map.face_islands[mesh.corner_faces[other]] : -1
    end
  end

  it "knows the island across each outline of a carton, and of a lantern's shade" do
    [Demo::TeaCaddy.obj, Demo::LanternShade.obj].each do |obj|
      map = Models.job(obj).layout.uv_map

      assert_equal looked_up(map), find.call(map).to_a
    end
  end

  it "knows none where faces stand alone, or have no place on the sheet" do
    alone = Models.job("v 0 0 0\nv 1 0 0\nv 0 1 0\nvt 0 0\nvt 1 0\nvt 0 1\nf 1/1 2/2 3/3\n").layout.uv_map

    assert_equal [-1, -1, -1], find.call(alone).to_a
    bare =
      Models.job("v 0 0 0\nv 1 0 0\nv 0 1 0\nv 1 1 0\nvt 0 0\nvt 1 0\nvt 0 1\nf 1/1 2/2 3/3\nf 2 4 3\n").layout.uv_map

    assert_equal [-1, -1, -1], find.call(bare).to_a
  end
end
