# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::SparseSolver do
  # The second difference matrix: -1, 2, -1. With right side h^2 * f its answer is exact for quadratics
  # (Strang, "Computational Science and Engineering", 2007, section 1.2): u = x (1 - x) / 2 for f = 1.
  it "solves the second difference equation" do
    n = 9
    diagonal = Numo::Int64.new(n).seq
    rows = diagonal.concatenate(diagonal[0...-1])
    columns = diagonal.concatenate(diagonal[1..])
    values = Numo::DFloat.new(n).fill(2).concatenate(Numo::DFloat.new(n - 1).fill(-1))
    h = 1.0 / (n + 1)
    answer =
      SheetTrace::Geometry::SparseSolver.open(rows, columns, values, n) do |solver|
        solver.solve(Numo::DFloat.new(1, n).fill(h * h))
      end

    n.times { |i| assert_in_delta ((i + 1) * h) * (1 - ((i + 1) * h)) / 2, answer[0, i], 1e-14 }
  end

  it "adds up entries at one place" do
    zero = Numo::Int64[0, 0]
    answer =
      SheetTrace::Geometry::SparseSolver.open(zero, zero, Numo::DFloat[1, 3], 1) do |solver|
        solver.solve(Numo::DFloat[[8]])
      end

    assert_in_delta 2.0, answer[0, 0], 1e-15
  end
end
