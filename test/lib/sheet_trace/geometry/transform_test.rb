# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::Transform do
  transform = SheetTrace::Geometry::Transform
  at = ->(matrix, *place) { transform.apply(matrix, Numo::DFloat[place]).to_a.first }
  assert_place = ->(test, wanted, got) { wanted.zip(got) { |a, b| test.assert_in_delta a, b, 1e-12 } }

  it "moves, scales, and reads columns as rows turned over" do
    both = transform.move(1, 2, 3).dot(transform.scale(2, 3, 4))

    assert_place.call(self, [3, 5, 7], at.call(both, 1, 1, 1))

    assert_equal both, transform.columns(both.transpose.to_a.flatten)
  end

  # A quarter turn about y takes z to x; as a quaternion (0, sin 45, 0, cos 45), of any length.
  it "turns by quaternions and about axes" do
    half = Math.sqrt(0.5)
    [
      transform.quaternion(0, half, 0, half),
      transform.quaternion(0, 5, 0, 5),
      transform.turn(0, 9, 0, Math::PI / 2)
    ].each { |turn| assert_place.call(self, [3, 2, -1], at.call(turn, 1, 2, 3)) }

    assert_equal transform.identity, transform.quaternion(0, 0, 0, 0)
    assert_equal transform.identity, transform.turn(0, 0, 0, 1)
  end

  it "keeps normals square to a surface that is stretched, and outside where it is mirrored" do
    # The plane x + y = 0, stretched to x / 2 + y = 0, has the normal (1, 2).
    normal = transform.apply_to_normals(transform.scale(2, 1, 1), Numo::DFloat[[1, 1, 0]])
    wanted = [1, 2, 0].map { |part| part / Math.sqrt(5) }

    assert_place.call(self, wanted, normal.to_a.first)
    mirrored = transform.apply_to_normals(transform.scale(-1, 1, 1), Numo::DFloat[[1, 0, 0]])

    assert_place.call(self, [-1, 0, 0], mirrored.to_a.first)

    assert_in_delta(-24, transform.determinant(transform.scale(2, -3, 4)))
  end

  # COLLADA 1.5, <up_axis>: X_UP has right -y, up x, inward z; Z_UP has right x, up z, inward y.
  it "brings each up axis to y, and keeps hands" do
    { "x" => [1, 0, 0], "y" => [0, 1, 0], "z" => [0, 0, 1] }.each do |axis, up|
      turn = transform.y_up_from(axis)

      assert_place.call(self, [0, 1, 0], at.call(turn, *up))

      assert_in_delta 1, transform.determinant(turn)
    end
    assert_place.call(self, [1, 0, 0], at.call(transform.y_up_from("x"), 0, -1, 0))
    assert_place.call(self, [0, 0, -1], at.call(transform.y_up_from("z"), 0, 1, 0))
  end
end
