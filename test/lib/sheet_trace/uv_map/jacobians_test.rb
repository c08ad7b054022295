# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::UvMap::Jacobians do
  # J = [[3, 1], [0, 2]]: s1^2 + s2^2 = 14 (sum of squares), s1 s2 = 6 (determinant), so
  # s1, s2 = (sqrt 26 +- sqrt 2) / 2. By hand.
  it "has the singular values of a map reckoned by hand" do
    positions = Numo::DFloat[[0, 0, 0], [1, 0, 0], [0, 1, 0]]
    places = Numo::DFloat[[5, 5], [8, 5], [6, 7]]
    jacobians = SheetTrace::UvMap::Jacobians.of(positions, places, Numo::Int32[[0, 1, 2]])
    large, small = jacobians.singular_values

    assert_in_delta (Math.sqrt(26) + Math.sqrt(2)) / 2, large[0], 1e-12
    assert_in_delta (Math.sqrt(26) - Math.sqrt(2)) / 2, small[0], 1e-12
    assert_in_delta 6, jacobians.determinant[0], 1e-12
    assert_in_delta 0.5, jacobians.area_mm2[0], 1e-12
  end

  it "gives a triangle of no area no weight" do
    positions = Numo::DFloat[[0, 0, 0], [1, 0, 0], [2, 0, 0]]
    jacobians = SheetTrace::UvMap::Jacobians.of(positions, Numo::DFloat[[0, 0], [1, 0], [0, 1]], Numo::Int32[[0, 1, 2]])

    assert_equal [0.0], jacobians.area_mm2.to_a
    assert_equal [0.0], jacobians.invertible_area_mm2.to_a
  end
end
