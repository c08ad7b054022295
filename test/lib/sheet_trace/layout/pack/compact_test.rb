# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Layout::Pack::Compact do
  pack = SheetTrace::Layout::Pack
  closed = ->(corners) { corners.each_with_index.map { |(x, y), i| [x, y, *corners[(i + 1) % corners.size], 1] } }
  square = ->(side) { closed.call([[0, 0], [side, 0], [side, side], [0, side]]) }
  disc =
    lambda do |radius|
      closed
        .call(
          Array.new(48) do |k|
            [k * Math::PI / 24].flat_map { |a| [radius * (1 + Math.cos(a)), radius * (1 + Math.sin(a))] }
          end
        )
        .then { |lines| pack::Turns.at_zero(lines) }
    end
  compact =
    lambda do |shapes, at, held: Array.new(shapes.size, false), size: [1000.0, 1000.0], gutter: 0|
      pack::Compact.call(shapes, at, held:, size_px: size, gutter_px: gutter)
    end
  outlines =
    lambda do |shapes, at, growth|
      shapes
        .zip(at)
        .map { |lines, (x, y)| (Numo::DFloat.cast(lines)[true, 0..3] * growth) + Numo::DFloat[[x, y, x, y]] }
    end
  gaps =
    lambda do |shapes, at, growth|
      outlines.call(shapes, at, growth).combination(2).map { |pair| SheetTrace::Geometry::OutlineGap.call(*pair) }
    end

  # Largest radii of 2, 3, 4 and 5 equal discs in a unit square: Goldberg, "The packing of equal circles in a square",
  # Mathematics Magazine 43, 1970. Where they come to lie depends on where they begin: the best of some beginnings.
  { 2 => 0.2929, 3 => 0.2543, 4 => 0.25, 5 => 0.2071 }.each do |count, radius|
    it "grows #{count} discs until they are as large as a square holds" do
      random = Random.new(count)
      small = radius * 600
      shapes = [disc.call(small)] * count
      radii =
        Array.new(2) do
          corners = [[0, 0], [0.6, 0.1], [0.05, 0.6], [0.6, 0.6], [0.3, 0.3]].sample(count, random: random)
          at = corners.map { |corner| corner.map { |share| (share * 900) + random.rand(0.0..30.0) } }
          growth, moved = compact.call(shapes, at)

          assert_operator gaps.call(shapes, moved, growth).min, :>=, 0
          assert_operator moved.flatten.min, :>=, 0
          assert_operator moved.flatten.max + (growth * 2 * small), :<=, 1000
          growth * small / 1000
        end

      assert_in_delta radius, radii.max, 0.01 * radius
    end
  end

  it "keeps the gutter, and goes round what is held, which stays as it is" do
    # Two are held, which may lie on each other.
    shapes = [200, 200, 200, 200, 100, 50].map { |side| square.call(side) }
    at = [[20, 10], [620, 30], [50, 640], [700, 600], [450, 450], [475, 475]]
    growth, moved = compact.call(shapes, at, held: [false, false, false, false, true, true], gutter: 20)

    assert_equal at.last(2), moved.last(2)
    # Squares of the side s fit in the corners beside the held one: s + 20 + 100 + 20 + s = 1000.
    assert_operator growth * 200, :>, 0.99 * 430
    assert_operator outlines
                      .call(shapes.first(4), moved.first(4), growth)
                      .product([Numo::DFloat.cast(shapes[4])[true, 0..3] + 450])
                      .map { |pair| SheetTrace::Geometry::OutlineGap.call(*pair) }
                      .min,
                    :>=,
                    20
    assert_operator gaps.call(shapes.first(4), moved.first(4), growth).min, :>=, 20
  end

  it "leaves shapes as they are where they have no room, and grows one alone to the size of the sheet" do
    shapes = Array.new(4) { square.call(490) }
    at = [[0, 0], [510, 0], [0, 510], [510, 510]]
    growth, moved = compact.call(shapes, at, gutter: 20)

    assert_in_delta 1, growth, 1e-3
    assert_operator gaps.call(shapes, moved, growth).min, :>=, 20
    assert_in_delta 5, compact.call([square.call(200)], [[300, 100]]).first, 0.01
    # Far larger than the sheet, as what is locked may be.
    assert_in_delta(1.0, 
compact.call([square.call(200), square.call(1e6)], [[0, 0], [300, 0]], held: [false, true]).first)
  end

  it "lets what lies in a hole stay within it" do
    ring =
      square.call(600) +
        pack::Turns.at_zero(square.call(400)).map { |a, b, c, d, _| [c + 100, d + 100, a + 100, b + 100, 1] }
    growth, moved = compact.call([ring, square.call(300)], [[100, 200], [210, 320]], gutter: 10)
    left, top = moved[1].zip(moved[0]).map { |inner, outer| inner - outer - (100 * growth) }

    assert_operator growth, :>, 1.2
    [left, top].each do |before|
      assert_operator before, :>=, 10
      assert_operator before + (300 * growth) + 10, :<=, 400 * growth
    end
  end

  it "says how far places are from an outline, and on which side of it" do
    random = Random.new(3)
    star =
      pack::Turns.at_zero(
        closed.call(
          Array.new(9) do |k|
            a = k * Math::PI * 2 / 9
            far = random.rand(30.0..90.0)
            [far * Math.cos(a), far * Math.sin(a)]
          end
        )
      )
    fields = pack::DistanceFields.new([square.call(50), star], 2.0, 10.0)
    lines = Numo::DFloat.cast(star)[true, 0..3]
    left, top = fields.left[1], fields.top[1]
    columns, rows = fields.columns[1], fields.rows[1]
    200.times do
      column = random.rand(columns - 1)
      row = random.rand(rows - 1)
      place = [left + (column * 2), top + (row * 2)]
      within = SheetTrace::Geometry::OutlineGap.inside?(place, lines)
      away = SheetTrace::Geometry::OutlineGap.of_pairs(Numo::DFloat[place * 2].repeat(9, axis: 0), lines).min
      found = fields.at(Numo::Int32[fields.first[1] + (row * columns) + column])[0, 0]

      assert_in_delta [away, 10.0].min * (within ? -1 : 1), found, 1e-9
    end
  end

  it "finds what is near, as comparing each with each does" do
    random = Random.new(8)
    5.times do |round|
      # In a grid, so that none lies within another; in the last round near enough to cross.
      placed =
        Array.new(12) do |i|
          x, y = [i % 4, i / 4].map { |at| (at * [45, 44, 42, 40, 25][round]) + random.rand(0.0..4.0) }
          Numo::DFloat.cast(disc.call(random.rand(10.0..20.0)))[true, 0..3] + Numo::DFloat[[x, y, x, y]]
        end
      gap = ->(pair) { SheetTrace::Geometry::OutlineGap.call(*placed.values_at(*pair)) }
      expected = (0...12).to_a.combination(2).to_h { |pair| [pair, gap.call(pair)] }.select { |_, px| px < 8 }
      found = pack::Gaps.call(placed, 8.0)

      assert_equal expected.keys.sort, found.keys.sort
      expected.each { |pair, px| assert_in_delta px, found[pair], 1e-9 }
      assert_empty pack::Gaps.call(placed, 8.0, held: Numo::DFloat.ones(12))
    end
  end

  it "gives the way in which overlap grows" do
    random = Random.new(5)
    shapes = Array.new(6) { disc.call(random.rand(40.0..80.0)) }
    overlap = pack::Overlap.new(shapes, ([false] * 5) + [true], size_px: [300.0, 300.0], apart_px: 5.0, cell_px: 1.0)
    at = Numo::DFloat.cast(Array.new(2) { Array.new(6) { random.rand(0.0..200.0) } })
    overlap.keep_farther(0, 2, 3.0)
    _sum, slope, deepest = overlap.call(at, 1.1)

    assert_operator deepest, :>, 5
    2.times do |axis|
      6.times do |shape|
        sums = [-1e-4, 1e-4].map { |by| overlap.call(at.copy.tap { |moved| moved[axis, shape] += by }, 1.1).first }
        expected = shape == 5 ? 0 : (sums[1] - sums[0]) / 2e-4

        assert_in_delta expected, slope[axis, shape], 1e-3 * [expected.abs, 100].max
      end
    end
  end
end
