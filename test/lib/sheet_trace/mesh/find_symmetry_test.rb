# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::FindSymmetry do
  # A closed box whose left and right differ by a share of its width on one corner.
  box =
    lambda do |off: 0.0, turn: 0.0, shift: 0.0, top: 1.0|
      corners = [-20, 20].product([0, 30], [-10, 10]).map { |x, y, z| y.zero? ? [x, y, z] : [x * top, y, z * top] }
      corners[7] = [corners[7][0] + off, *corners[7].drop(1)]
      corners.map! do |x, y, z|
        [(x * Math.cos(turn)) + (z * Math.sin(turn)) + shift, y, (z * Math.cos(turn)) - (x * Math.sin(turn))]
      end
      faces = ["1 2 4 3", "5 7 8 6", "1 5 6 2", "3 4 8 7", "1 3 7 5", "2 6 8 4"]
      Models.read([*corners.map { |point| "v #{point.join(" ")}" }, *faces.map { |face| "f #{face}" }].join("\n")).mesh
    end

  it "finds left and right first, wherever the model stands" do
    symmetry = box.call(shift: 123.0).symmetry

    assert_equal "x = 123", symmetry.plane
    assert_operator symmetry.error, :<, 1e-9
    assert_equal [1, 0], symmetry.face_twins[0..1].to_a
    assert_equal [0, 1, 2, 3], (0..3).map { |face| symmetry.face_twins[symmetry.face_twins[face]] }
  end

  it "carries every edge and vertex to its mirror image" do
    mesh = box.call
    symmetry = mesh.symmetry
    mirrored = symmetry.reflect(mesh.positions)

    assert_operator (mirrored - mesh.positions[symmetry.vertex_twins, true]).abs.max, :<, 1e-9
    mesh.edges.vertices.to_a.each_with_index do |ends, edge|
      assert_equal ends.map { |vertex| symmetry.vertex_twins[vertex] }.sort,
                   mesh.edges.vertices[symmetry.edge_twins[edge], true].to_a
    end
  end

  it "finds a plane that leans" do
    symmetry = box.call(turn: 0.4, top: 0.6).symmetry

    refute_nil symmetry
    assert_operator symmetry.normal.map(&:abs).max, :<, 1 - 1e-6
  end

  # The longest side is 40: 1e-4 of it is 0.004.
  it "takes what lies within the tolerance, and tells how far off the worst is" do
    assert_in_delta 0.003, box.call(off: 0.003).symmetry.error, 2e-3
    assert_nil box.call(off: 0.3).symmetry
  end

  it "sees no difference in vertices that the file split" do
    quads =
      "v -1 0 0\nv 0 0 0\nv 0 1 0\nv -1 1 0\nv 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nv 0 0 5\nv -1 0 5\nv 1 0 5\nf 1 2 3 " \
        "4\nf 5 6 7 8\nf 10 9 2 1\nf 9 11 6 5\n"

    assert_equal [1, 0, 3, 2], Models.read(quads).mesh.symmetry.face_twins.to_a
  end

  it "gives none for a lopsided model, and for one without size" do
    assert_nil Models.read("v 0 0 0\nv 10 0 0\nv 3 7 0\nv 1 2 9\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n").mesh.symmetry
    assert_nil Models.read("v 1 1 1\nv 1 1 1\nv 1 1 1\nf 1 2 3\n").mesh.symmetry
  end

  # Two halves of a wavy cloth; the second runs round its faces the same way as its mirror image, or the other way.
  it "carries edges to their mirror images whichever way the halves are wound" do
    at = ->(s, i, j) { [s * i * 2.0, Math.sin((i * 0.8) + (j * 0.5)), j * 1.5] }
    [false, true].each do |turned|
      cells = (0...4).to_a.product((0...5).to_a)
      points =
        [1, -1].flat_map { |s| (0..4).to_a.product((0..5).to_a).map { |i, j| "v #{at.call(s, i, j).join(" ")}" } }
      quads = cells.map { |i, j| ((i * 6) + j + 1).then { |a| [a, a + 1, a + 7, a + 6] } }
      others = quads.map { |quad| quad.map { |k| k + 30 }.then { |corners| turned ? corners : corners.reverse } }
      mesh = Models.read([*points, *(quads + others).map { |quad| "f #{quad.join(" ")}" }].join("\n")).mesh
      places = ->(edge) { mesh.positions[mesh.edges.vertices[edge, true].to_a, true] }
      sorted = ->(rows) { rows.to_a.map { |row| row.map { |part| part.round(6) + 0.0 } }.sort }

      mesh.edges.count.times do |edge|
        assert_equal sorted.call(mesh.symmetry.reflect(places.call(edge))),
                     sorted.call(places.call(mesh.symmetry.edge_twins[edge]))
      end
    end
  end
end
