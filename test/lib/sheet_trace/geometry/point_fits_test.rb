# frozen_string_literal: true

require "test_helper"
require "matrix"

# Maps that take points to others: similarity, affine and perspective ones.
describe "maps fitted to points" do
  geometry = SheetTrace::Geometry
  cast = ->(rows) { Numo::DFloat.cast(rows) }
  seed = Random.new_seed % 100_000
  random = Random.new(seed)
  cloud = ->(count) { cast.call(Array.new(count) { [random.rand(0.0..400.0), random.rand(0.0..300.0)] }) }
  off = ->(map, from, to) { (map.apply(from) - to).abs.max }
  error = ->(map, from, to) { ((map.apply(from) - to)**2).sum }

  # Least squares by the matrix gem, a general-purpose library: the normal equations of rows x = right.
  solve =
    lambda do |rows, right|
      a = Matrix.rows(rows)
      (a.transpose * a).lup.solve(a.transpose * Vector.elements(right)).to_a
    end

  it "gives Umeyama's worked example" do
    # Umeyama 1991, section III: three points, of which the third is mirrored; R = [[0.832, 0.555], [-0.555, 0.832]],
    # c = 0.721, t = (-0.800, 0.400).
    from = cast.call([[0, 0], [1, 0], [0, 2]])
    to = cast.call([[0, 0], [-1, 0], [0, 2]])
    map = geometry::Similarity.fit(from, to)

    [0.721 * 0.832, 0.721 * 0.555, -0.800, 0.721 * -0.555, 0.721 * 0.832, 0.400].zip(map.to_a) do |wanted, got|
      assert_in_delta wanted, got, 1e-3
    end
    assert_operator error.call(map, from, to), :>, 0.1
    assert_in_delta 0, off.call(geometry::Similarity.fit(from, to, mirrored: nil), from, to), 1e-12
  end

  it "takes exact points to exact places, to 1e-9 px (seed #{seed})" do
    10.times do
      from = cloud.call(random.rand(4..9))
      turn = geometry::Affine.turn(random.rand(-3.0..3.0)) * geometry::Affine.scale(*([random.rand(0.2..5.0)] * 2))
      exact = {
        geometry::Similarity => turn,
        geometry::Affine => geometry::Affine.new(*Array.new(6) { random.rand(-2.0..2.0) }),
        geometry::Homography =>
          geometry::Homography.new(1.2, 0.1, 30, -0.2, 0.9, 10, random.rand(0.0..8e-4), random.rand(0.0..8e-4))
      }

      exact.each do |kind, map|
        assert_operator off.call(kind.fit(from, map.apply(from)), from, map.apply(from)),
                        :<,
                        1e-9,
                        "#{kind}, seed #{seed}"
      end
    end
  end

  it "gives the least squares of noisy points, as a general library does (seed #{seed})" do
    from = cloud.call(12)
    to =
      geometry::Affine.new(1.1, -0.3, 20, 0.4, 0.9, -5).apply(from) +
        cast.call(Array.new(12) { [random.rand(-3.0..3.0), random.rand(-3.0..3.0)] })
    even = from.to_a.flat_map { |x, y| [[x, -y, 1, 0], [y, x, 0, 1]] }
    a, b, c, f = solve.call(even, to.to_a.flatten)
    affine = [0, 1].flat_map { |axis| solve.call(from.to_a.map { |x, y| [x, y, 1] }, to[true, axis].to_a) }

    [a, -b, c, b, a, f].zip(geometry::Similarity.fit(from, to).to_a) do |wanted, got|
      assert_in_delta wanted, got, 1e-7, "seed #{seed}"
    end
    affine.zip(geometry::Affine.fit(from, to).to_a) { |wanted, got| assert_in_delta wanted, got, 1e-7, "seed #{seed}" }
  end

  it "leaves no better perspective map near by (seed #{seed})" do
    from = cloud.call(10)
    true_map = geometry::Homography.new(1.1, 0.05, 12, -0.1, 1.0, 4, 4e-4, 2e-4)
    to = true_map.apply(from) + cast.call(Array.new(10) { [random.rand(-2.0..2.0), random.rand(-2.0..2.0)] })
    map = geometry::Homography.fit(from, to)
    least = error.call(map, from, to)

    assert_operator least, :<=, error.call(true_map, from, to), "seed #{seed}"
    map.to_a.each_index do |i|
      [-1, 1].each do |way|
        near = map.to_a.tap { |numbers| numbers[i] += way * 1e-5 * [numbers[i].abs, 1e-3].max }

        assert_operator error.call(geometry::Homography.new(*near), from, to), :>=, least - 1e-9, "seed #{seed}"
      end
    end
  end

  it "takes a square to a known trapezium" do
    # Heckbert, "Fundamentals of Texture Mapping and Image Warping", 1989, 2.2.3: square to quadrilateral, here (0,0),
    # (4,0), (3,2), (1,2):
    # sums dx3 = 0 - 4 + 3 - 1 = -2, dy3 = 0; g = 0, h = 1, so that (0.5, 0.5) goes to (2, 4/3): 4 x 0.5 / 1.5.
    unit = cast.call([[0, 0], [1, 0], [1, 1], [0, 1]])
    map = geometry::Homography.fit(unit, cast.call([[0, 0], [4, 0], [3, 2], [1, 2]]))

    assert_in_delta 0.0, map.g, 1e-9
    assert_in_delta 1.0, map.h, 1e-9
    map
      .apply(cast.call([[0.5, 0.5]]))
      .to_a
      .first
      .zip([2.0, 4.0 / 3]) { |got, wanted| assert_in_delta wanted, got, 1e-9 }
    back = map.inverse.apply(map.apply(unit))

    assert_in_delta 0, (back - unit).abs.max, 1e-9
  end

  it "refuses points that fix no map" do
    line = cast.call([[0, 0], [1, 1], [2, 2], [3, 3]])
    assert_refused(SheetTrace::InputError, message: /don't fix a perspective map/) do
      geometry::Homography.fit(line, line)
    end
    assert_refused(SheetTrace::InputError, message: /all lie in one place/) { geometry::Similarity.fit(line * 0, line) }
  end
end
