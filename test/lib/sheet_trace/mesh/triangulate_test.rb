# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::Triangulate do
  triangulate = SheetTrace::Mesh::Triangulate
  # A face in the plane z = 0 by its corners.
  face = ->(points) do
    Models.read([*points.map { |x, y| "v #{x} #{y} 0" }, "f #{(1..points.size).to_a.join(" ")}"].join("\n")).mesh
  end
  areas =
    lambda do |mesh|
      corners = triangulate.call(mesh).corners.to_a
      corners.map do |triangle|
        (ax, ay), (bx, by), (cx, cy) =
          mesh.corner_vertices[triangle].to_a.map { |vertex| mesh.positions[vertex, 0..1].to_a }
        (((bx - ax) * (cy - ay)) - ((cx - ax) * (by - ay))) / 2
      end
    end
  # The area that a polygon's corners span (shoelace formula).
  shoelace = ->(points) { points.zip(points.rotate).sum { |(x1, y1), (x2, y2)| (x1 * y2) - (x2 * y1) } / 2.0 }

  {
    "a triangle" => [[0, 0], [4, 0], [0, 3]],
    "a square" => [[0, 0], [1, 0], [1, 1], [0, 1]],
    "a dented quadrilateral" => [[0, 0], [4, 0], [1, 1], [0, 4]],
    "a hexagon" => Array.new(6) { |i| [Math.cos(i * Math::PI / 3), Math.sin(i * Math::PI / 3)] },
    "a U" => [[0, 0], [6, 0], [6, 5], [4, 5], [4, 2], [2, 2], [2, 5], [0, 5]],
    "a square with a corner on a straight side" => [[0, 0], [1, 0], [2, 0], [2, 2], [0, 2]]
  }.each do |what, points|
    it "cuts #{what} into n - 2 triangles that turn as it does and add up to it, from whatever corner it starts" do
      points.size.times do |start|
        pieces = areas.call(face.call(points.rotate(start)))

        assert_equal points.size - 2, pieces.size
        assert_in_delta shoelace.call(points), pieces.sum, 1e-9
        assert_operator pieces.min, :>, 0, "from corner #{start}"
      end
    end
  end

  it "keeps the order of the faces, of whatever size they are" do
    mesh = Models.read("v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nv 2 0 0\nf 1 2 3 4\nf 2 5 3\n").mesh

    assert_equal [0, 0, 1], triangulate.call(mesh).faces.to_a
  end

  it "takes the other diagonal where the first runs along another line" do
    # Two squares folded onto each other share both ends of the first diagonal.
    mesh = Models.read("v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nv 2 2 1\nf 1 2 3 4\nf 1 3 5\n").mesh
    lines =
      triangulate
        .call(mesh)
        .corners
        .to_a
        .flat_map { |t| mesh.corner_vertices[t].to_a.then { |v| v.zip(v.rotate).map(&:minmax) } }

    assert_includes lines, [1, 3]
  end
end
