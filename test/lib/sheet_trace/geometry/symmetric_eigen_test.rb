# frozen_string_literal: true

require "matrix"
require_relative "../../../test_helper"

describe SheetTrace::Geometry::SymmetricEigen do
  eigen = SheetTrace::Geometry::SymmetricEigen.method(:call)

  it "gives the values that Ruby's matrix gem gives, the smallest first, with unit vectors that they stretch" do
    random = Random.new(9)
    (1..6).each do |size|
      rows = Array.new(size) { Array.new(size) { random.rand(-3.0..3.0) } }
      rows = Matrix.rows(rows).then { |matrix| (matrix + matrix.transpose).to_a }
      wanted = Matrix.rows(rows).eigen.eigenvalues.sort
      eigen
        .call(rows)
        .zip(wanted) do |(value, vector), expected|
          stretched = Matrix.rows(rows) * Vector.elements(vector)

          assert_in_delta expected, value, 1e-9
          assert_in_delta 1, Vector.elements(vector).norm, 1e-12
          assert_operator (stretched - (Vector.elements(vector) * value)).norm, :<, 1e-9
        end
    end
  end

  it "leaves a matrix that is diagonal already, zeros and equal values too" do
    assert_equal [0.0, 2.0, 2.0], eigen.call([[2.0, 0, 0], [0, 0.0, 0], [0, 0, 2.0]]).map(&:first)
  end
end
