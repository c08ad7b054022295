# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::Symmetry do
  symmetry =
    lambda do |normal, offset|
      none = Numo::Int64.zeros(0)
      SheetTrace::Mesh::Symmetry.new(
        normal: normal,
        offset: offset,
        tolerance: 0.01,
        error: 0.0,
        vertex_twins: none,
        edge_twins: none,
        face_twins: none,
        corner_twins: none
      )
    end

  it "reflects places at its plane, and twice back to where they were" do
    plane = symmetry.call([1.0, 0.0, 0.0], 2.0)
    places = Numo::DFloat[[5, 1, 1], [2, 7, 0]]

    assert_equal [[-1, 1, 1], [2, 7, 0]], plane.reflect(places).to_a
    assert_equal places, plane.reflect(plane.reflect(places))
    slanted = symmetry.call([Math.sqrt(0.5), Math.sqrt(0.5), 0.0], 0.0)

    slanted
      .reflect(Numo::DFloat[[3, 1, 4]])
      .to_a
      .first
      .zip([-1, -3, 4]) { |got, part| assert_in_delta part, got, 1e-12 }
  end

  it "names its plane by an axis where it can" do
    assert_equal "x = 2", symmetry.call([1.0, 0.0, 0.0], 2.0).plane
    assert_equal "z = -1.5", symmetry.call([0.0, 0.0, -1.0], 1.5).plane
    assert_equal "0.707 x + 0.707 y = 3", symmetry.call([Math.sqrt(0.5), Math.sqrt(0.5), 0.0], 3.0).plane
  end
end
