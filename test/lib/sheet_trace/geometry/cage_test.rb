# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::Cage do
  cage = SheetTrace::Geometry::Cage
  box = [0.0, 0.0, 10.0, 20.0]
  places = Numo::DFloat[[0, 0], [10, 0], [5, 10], [2.5, 5], [10, 20]]
  bent = ->(shifts, columns: 2, rows: 2) { cage.call(places, box, columns: columns, rows: rows, shifts: shifts).to_a }

  it "leaves everything where it is while no handle is moved" do
    assert_equal places.to_a, bent.call([[0, 0]] * 9, columns: 3, rows: 3)
  end

  it "moves all alike where all handles move alike: the weights at each place come to 1" do
    bent
      .call([[3, -4]] * 12, columns: 4, rows: 3)
      .zip(places.to_a) do |(x, y), (from_x, from_y)|
        assert_in_delta from_x + 3, x, 1e-12
        assert_in_delta from_y - 4, y, 1e-12
      end
  end

  # Bernstein polynomials of degree 1: with two handles a side the weight of the upper left one is (1 - s) (1 - t).
  it "weighs a corner's handle by what is left of the way across and down" do
    corner, across, middle, quarter, opposite = bent.call([[8, 0], [0, 0], [0, 0], [0, 0]]).map(&:first)

    assert_in_delta 8, corner, 1e-12
    assert_in_delta 10, across, 1e-12
    assert_in_delta 5 + (8 / 4.0), middle, 1e-12
    assert_in_delta 2.5 + (8 * 9 / 16.0), quarter, 1e-12
    assert_in_delta 10, opposite, 1e-12
  end

  it "bends a box that is flat in one direction, and places beyond it as at its border" do
    flat = cage.call(Numo::DFloat[[5, 3]], [0, 3, 10, 3], columns: 2, rows: 2, shifts: [[0, 1], [0, 1], [0, 0], [0, 0]])
    beyond = cage.call(Numo::DFloat[[-7, -7]], box, columns: 2, rows: 2, shifts: [[1, 2], [0, 0], [0, 0], [0, 0]])

    assert_equal [[5, 4]], flat.to_a
    assert_equal [[-6, -5]], beyond.to_a
  end
end
