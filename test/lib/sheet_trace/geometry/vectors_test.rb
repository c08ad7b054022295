# frozen_string_literal: true

require "matrix"
require_relative "../../../test_helper"

describe SheetTrace::Geometry::Vectors do
  vectors = SheetTrace::Geometry::Vectors
  a = Numo::DFloat[[1, 2, 3], [0, 0, 0], [-4, 5, 0.5]]
  b = Numo::DFloat[[4, -5, 6], [1, 1, 1], [2, 2, 2]]
  pairs = a.to_a.zip(b.to_a).map { |pair| pair.map { |row| Vector.elements(row) } }

  it "multiplies row by row as Ruby's matrix gem does" do
    assert_equal pairs.map { |x, y| x.cross_product(y).to_a }, vectors.cross(a, b).to_a
    assert_equal pairs.map { |x, y| x.inner_product(y) }, vectors.dot(a, b).to_a
    assert_equal pairs.map { |x, _y| x.norm }, vectors.lengths(a).to_a
  end

  it "brings rows to length 1, and leaves one without length" do
    lengths = vectors.lengths(vectors.unit(a)).to_a

    assert_in_delta 1, lengths[0]
    assert_equal 0, lengths[1]
    assert_equal [0, 0, 0], vectors.unit(a)[1, true].to_a
  end

  it "takes no rows for none" do
    assert_empty vectors.dot(Numo::DFloat.zeros(0, 3), Numo::DFloat.zeros(0, 3)).to_a
  end

  it "sets columns side by side" do
    assert_equal [[1, 3], [2, 4]], vectors.columns([Numo::DFloat[1, 2], Numo::DFloat[3, 4]]).to_a
  end
end
