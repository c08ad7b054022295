# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe "what is known of a mesh's edges, facing and parts" do
  mesh = ->(obj) { Models.read(obj).mesh }

  # Euler's formula for a convex solid: V - E + F = 2.
  it "lists each edge of a carton once" do
    edges = mesh.call(Demo::TeaCaddy.obj).edges

    assert_equal [12, [2]], [edges.uses.size, edges.uses.to_a.uniq]
    assert_equal 12, edges.paired_corners[0].size
  end

  it "turns round the fewest faces of a piece, and whole pieces that are inside out" do
    caddy = mesh.call(Demo::TeaCaddy.obj)

    assert_empty SheetTrace::Mesh::WrongFacing.call(caddy)
    turned = mesh.call(Demo::TeaCaddy.obj.sub("f 1/1 2/2 3/3 4/4", "f 4/4 3/3 2/2 1/1"))

    assert_equal [0], SheetTrace::Mesh::WrongFacing.call(turned).to_a
    inside_out = mesh.call(Demo::TeaCaddy.obj.gsub(/^f (.*)/) { "f #{Regexp.last_match(1).split.reverse.join(" ")}" })

    assert_equal (0..5).to_a, SheetTrace::Mesh::WrongFacing.call(inside_out).to_a
    assert_empty SheetTrace::Mesh::WrongFacing.call(mesh.call(Models.panel)) # an open piece may look either way
  end

  it "recognises repeated parts by shape, wherever they lie, and tells a mirrored copy" do
    wedge = [[0, 0, 0], [4, 0, 0], [0, 3, 0], [0, 0, 2]]
    faces = [[0, 2, 1], [0, 1, 3], [1, 2, 3], [0, 3, 2]]
    turn = ->(x, y, z) { [10 - y, x + 5, z - 7] }
    mirror = ->(x, y, z) { [-x, y, z] }
    larger = ->(x, y, z) { [1.1 * x, 1.1 * y, 1.1 * z] }
    parts = {
      "a" => ->(*point) { point },
      "b" => turn,
      "c" => mirror,
      "d" => larger,
      "e" => ->(*point) { turn.call(*turn.call(*point)) }
    }
    lines =
      parts.each_with_index.flat_map do |(name, move), i|
        [
          "o #{name}",
          *wedge.map { |point| "v #{move.call(*point).join(" ")}" },
          *faces.map { |face| "f #{face.map { |k| (4 * i) + k + 1 }.join(" ")}" }
        ]
      end

    assert_equal [[0, 1, 4]], SheetTrace::Mesh::IdenticalParts.call(mesh.call(lines.join("\n")))
  end

  it "smooths normals within a group and nowhere else" do
    roof = [
      "v 0 0 0",
      "v 0 0 9",
      "v 1 1 0",
      "v 1 1 9",
      "v 2 0 0",
      "v 2 0 9",
      "s 1",
      "f 1 2 4 3",
      "f 3 4 6 5",
      "s off",
      "f 1 2 4 3"
    ].join("\n")
    normals = mesh.call(roof).corner_normals

    assert_equal [0.0, 1.0, 0.0], normals[2, true].to_a.map { |x| x.round(9) } # on the ridge: half way
    assert_in_delta(-Math.sqrt(0.5), normals[0, 0], 1e-12)
    assert_in_delta(-Math.sqrt(0.5), normals[10, 0], 1e-12)
    two_flat =
      mesh.call(
        [
          "v 0 0 0",
          "v 0 0 9",
          "v 1 1 0",
          "v 1 1 9",
          "v 2 0 0",
          "v 2 0 9",
          "s off",
          "f 1 2 4 3",
          "f 3 4 6 5",
          "s 1",
          "f 1 2 4 3"
        ].join("\n")
      ).corner_normals

    # the ridge stays sharp
    [-1, 1].zip([2, 4]) { |side, corner| assert_in_delta side * Math.sqrt(0.5), two_flat[corner, 0], 1e-12 }
  end
end
