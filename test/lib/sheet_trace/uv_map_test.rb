# frozen_string_literal: true

require_relative "../../test_helper"

describe SheetTrace::UvMap do
  square = ["v 0 0 0", "v 1 0 0", "v 1 1 0", "v 0 1 0", "v 2 0 0", "v 2 1 0"]

  it "joins faces that share an edge on the sheet, whatever their UV indices" do
    uvs = ["vt 0 0", "vt 0.5 0", "vt 0.5 1", "vt 0 1", "vt 0.5 0", "vt 1 0", "vt 1 1", "vt 0.5 1"]
    map = Models.map([*square, *uvs, "f 1/1 2/2 3/3 4/4", "f 2/5 5/6 6/7 3/8"].join("\n"))

    assert_equal 1, map.island_count
    assert_equal 6, map.point_count
  end

  it "parts faces whose edge is cut on the sheet" do
    uvs = ["vt 0 0", "vt 0.4 0", "vt 0.4 1", "vt 0 1", "vt 0.6 0", "vt 1 0", "vt 1 1", "vt 0.6 1"]
    map = Models.map([*square, *uvs, "f 1/1 2/2 3/3 4/4", "f 2/5 5/6 6/7 3/8"].join("\n"))

    assert_equal [0, 1], map.face_islands.to_a
    assert_equal 8, map.point_count
  end

  it "gives islands that touch in one corner a point each" do
    obj = [
      "v 0 0 0",
      "v 1 0 0",
      "v 1 1 0",
      "v 2 1 0",
      "v 2 2 0",
      "vt 0 0",
      "vt 0.5 0",
      "vt 0.5 0.5",
      "vt 1 0.5",
      "vt 1 1",
      "f 1/1 2/2 3/3",
      "f 3/3 4/4 5/5"
    ].join("\n")
    map = Models.map(obj)

    assert_equal 2, map.island_count
    assert_equal 6, map.point_count
  end

  it "leaves faces without UVs off the sheet" do
    map = Models.map([*square, "vt 0 0", "vt 1 0", "vt 1 1", "vt 0 1", "f 1/1 2/2 3/3 4/4", "f 2 5 6 3"].join("\n"))

    assert_equal [1, 0], map.face_mapped.to_a
    assert_equal 1, map.island_count
    assert_equal 2, map.triangles.count
  end

  it "lists each edge once, and knows outlines from inner edges" do
    uvs = ["vt 0 0", "vt 0.5 0", "vt 0.5 1", "vt 0 1", "vt 1 0", "vt 1 1"]
    edges = Models.map([*square, *uvs, "f 1/1 2/2 3/3 4/4", "f 2/2 5/5 6/6 3/3"].join("\n")).edges

    assert_equal 7, edges.outline.size # two squares side by side
    assert_equal 6, edges.outline.count_true
  end

  it "keeps quadrilaterals: their diagonals are no edges" do
    assert_equal 4, Models.map(Models.panel).edges.outline.size
  end

  it "can't be built when no face has UVs" do
    assert_refused(SheetTrace::UvError) { Models.map([*square, "f 1 2 3 4"].join("\n")) }
  end
end
