# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::Similarity do
  affine = SheetTrace::Geometry::Affine
  fit = SheetTrace::Geometry::Similarity.method(:fit)
  points = Numo::DFloat[[0, 0], [4, 0], [4, 2], [1, 3]]
  same = ->(a, b) { a.to_a.zip(b.to_a).map { |x, y| (x - y).abs }.max }

  it "finds turn, scale and move that were made, and whether shapes were turned over" do
    plain = affine.move(3, -7) * affine.turn(0.7) * affine.scale(2.5, 2.5)
    mirrored = plain * affine.scale(1, -1)

    assert_operator same.call(plain, fit.call(points, plain.apply(points))), :<, 1e-12
    [true, nil].each do |asked|
      assert_operator same.call(mirrored, fit.call(points, mirrored.apply(points), mirrored: asked)), :<, 1e-12
    end
  end

  it "comes nearer than any map beside it where no map is exact" do
    wanted = Numo::DFloat[[1, 0], [3, 2], [2, 5], [-1, 2]]
    found = fit.call(points, wanted)
    off = ->(map) { ((map.apply(points) - wanted)**2).sum }
    [[0.01, 1], [-0.01, 1], [0, 1.01], [0, 0.99]].each do |turn, scale|
      near = found * affine.move(2, 1) * affine.turn(turn) * affine.scale(scale, scale) * affine.move(-2, -1)

      assert_operator off.call(found), :<, off.call(near)
    end
  end

  it "refuses points that all lie in one place" do
    assert_refused(SheetTrace::InputError, { points: 2 }) do
      fit.call(Numo::DFloat[[1, 1], [1, 1]], Numo::DFloat[[0, 0], [1, 0]])
    end
  end
end
