# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Geometry::Homography do
  homography = SheetTrace::Geometry::Homography
  square = Numo::DFloat[[0, 0], [1, 0], [1, 1], [0, 1]]
  trapezium = Numo::DFloat[[0, 0], [4, 0], [3, 2], [1, 2]]

  it "takes four points exactly to four others, and lines to lines: diagonals still cross where they cross" do
    map = homography.fit(square, trapezium)

    assert_in_delta 0, (map.apply(square) - trapezium).abs.max, 1e-9
    # (3t, 2t) and (4 - 3t, 2t) meet at t = 2/3.
    map.apply(Numo::DFloat[[0.5, 0.5]]).to_a.first.zip([2, 4 / 3r]) { |got, wanted| assert_in_delta wanted, got, 1e-9 }
  end

  it "keeps the cross-ratio of four points on a line" do
    map = homography.fit(square, trapezium)
    line = [0.0, 0.2, 0.5, 0.9].map { |share| [share, 0.1 + (share * 0.7)] }
    ratio =
      lambda do |points|
        a, b, c, d = points.map { |x, y| Math.hypot(x - points[0][0], y - points[0][1]) }
        (c - a) * (d - b) / ((c - b) * (d - a))
      end

    assert_in_delta ratio.call(line), ratio.call(map.apply(Numo::DFloat.cast(line)).to_a), 1e-9
  end

  it "goes back by its inverse, and is an affine map where no side runs to infinity" do
    map = homography.fit(square, trapezium)
    places = Numo::DFloat[[0.3, 0.8], [0.9, 0.1]]

    assert_in_delta 0, (map.inverse.apply(map.apply(places)) - places).abs.max, 1e-12
    flat = homography.fit(square, Numo::DFloat[[2, 1], [5, 2], [4, 5], [1, 4]])

    assert_in_delta 0, flat.g.abs + flat.h.abs, 1e-12
  end

  it "takes what four points and more ask for by least squares of the distances" do
    noisy = trapezium.concatenate(Numo::DFloat[[2.0, (4 / 3.0) + 0.3]])
    map = homography.fit(square.concatenate(Numo::DFloat[[0.5, 0.5]]), noisy)
    off = ->(other) { ((other.apply(square.concatenate(Numo::DFloat[[0.5, 0.5]])) - noisy)**2).sum }
    # Nothing near it is better.
    8.times do |i|
      [-1e-4, 1e-4].each do |step|
        near = homography.new(*map.to_a.each_with_index.map { |value, k| k == i ? value + step : value })

        assert_operator off.call(near), :>=, off.call(map) - 1e-12
      end
    end
  end

  it "says where points lie beyond the line that goes to infinity" do
    map = homography.new(1, 0, 0, 0, 1, 0, -1, 0) # w = 1 - x

    assert map.whole?(Numo::DFloat[[0.5, 3]])
    refute map.whole?(Numo::DFloat[[0.5, 3], [1.5, 3]])
  end

  it "refuses points in a line" do
    line = Numo::DFloat[[0, 0], [1, 1], [2, 2], [3, 3]]

    assert_refused(SheetTrace::InputError, { points: 4 }) { homography.fit(line, trapezium) }
  end
end
