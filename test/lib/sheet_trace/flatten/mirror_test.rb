# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::Mirror do
  flatten = SheetTrace::Flatten
  ball = -> { SheetTrace::Solids.build("ball", { sides: 16 }).mesh }
  pieces = ->(mesh, seams) { flatten::Pieces.call(mesh, method: "unfold", seams: seams, symmetry: mesh.symmetry) }
  places_of = ->(laid, index) { laid.cut.piece(index).then { |shape| [shape, laid.places[shape.points, true]] } }

  it "lays the second of two halves as the exact mirror image of the first" do
    mesh = ball.call
    seams = flatten::Seams.none(mesh)
    ends = mesh.positions[mesh.edges.vertices.flatten, 0].reshape(mesh.edges.count, 2)
    seams[(ends.abs.max(axis: 1) < 1e-9).where] = 1
    laid = pieces.call(mesh, seams)
    (left, flat), (right, mirrored) = [0, 1].map { |index| places_of.call(laid, index) }
    at = right.positions.to_a.map { |point| point.map { |x| x.round(6) + 0.0 } }.zip(mirrored.to_a).to_h

    assert_equal [2, 0], [laid.cut.piece_count, laid.turned]
    left
      .positions
      .to_a
      .zip(flat.to_a)
      .each do |(x, y, z), (u, v)|
        twin = at.fetch([-x, y, z].map { |value| value.round(6) + 0.0 })

        assert_in_delta(-u, twin[0], 1e-6)
        assert_in_delta v, twin[1], 1e-6
      end
  end

  it "makes a piece that the plane passes through its own mirror image" do
    cap = Models.ball(8, 12, 30).lines
    mesh = Models.read((cap.first((9 * 12) + (4 * 12)).grep(/^v/) + cap.grep(/^f/).first(4 * 12)).join).mesh
    # The pole is twelve vertices in one place: one seam opens it there.
    laid = pieces.call(mesh, flatten::Seams.none(mesh))
    shape, flat = places_of.call(laid, 0)
    spots = flat.to_a

    assert_equal 0, laid.turned
    assert_equal shape.positions.shape[0], spots.size
    spots.each { |u, v| assert_operator spots.map { |x, y| Math.hypot(x + u, y - v) }.min, :<, 1e-6 }
  end

  it "cuts on both sides alike" do
    mesh = ball.call
    one_side = flatten::Seams.none(mesh)
    right =
      (0...mesh.edges.count).find do |edge|
        mesh.edges.vertices[edge, true].to_a.all? { |vertex| mesh.positions[vertex, 0] > 5 }
      end
    one_side[right] = 1
    laid = pieces.call(mesh, one_side)
    cut = flatten::Seams.of_map(laid.cut.to_map(laid.places))

    assert_equal cut, cut[mesh.symmetry.edge_twins]
  end
end
