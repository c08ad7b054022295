# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Raster::TexelMap do
  build =
    lambda do |points, triangles, width, height|
      SheetTrace::Raster::TexelMap.call(
        Numo::DFloat.cast(points),
        Numo::Int32.cast(triangles),
        width_px: width,
        height_px: height
      )
    end

  # PNG 3rd edition, 13 and OBJ: the sample of a pixel stands for its middle, so a square from 1 to 3
  # covers the middles 1.5 and 2.5.
  it "covers the texels whose middles lie inside" do
    map = build.call([[1, 1], [3, 1], [3, 3], [1, 3]], [[0, 1, 2], [0, 2, 3]], 4, 4)

    assert_equal [5, 6, 9, 10], map.texels.to_a
  end

  it "gives each texel of a mesh to just one triangle, with none left out" do
    random = Random.new(11) # any seed does
    side = 9
    points = Array.new(side * side) { |i| [(i % side * 4) + (random.rand * 2), (i / side * 4) + (random.rand * 2)] }
    triangles =
      (0...(side - 1))
        .to_a
        .product((0...(side - 1)).to_a)
        .flat_map do |y, x|
          a = (y * side) + x
          [[a, a + 1, a + side + 1], [a, a + side + 1, a + side]]
        end
    corners = Numo::DFloat.cast(triangles.map { |triangle| points.values_at(*triangle) })
    texels, = SheetTrace::Raster::Rasterise.call(corners, 40, 40)
    inner = (6...30).to_a.product((6...30).to_a).map { |y, x| (y * 40) + x }

    assert_equal texels.to_a.uniq.size, texels.size
    assert_empty inner - texels.to_a
  end

  it "clips what lies off the sheet" do
    map = build.call([[-5, -5], [20, -5], [-5, 20]], [[0, 1, 2]], 4, 4)

    assert_equal 16, map.texels.size
    assert_empty build.call([[10, 10], [12, 10], [10, 12]], [[0, 1, 2]], 4, 4).texels
  end

  it "takes a triangle of no area, and none at all" do
    assert_empty build.call([[1, 1], [3, 3], [2, 2]], [[0, 1, 2]], 4, 4).texels
    assert_empty SheetTrace::Raster::TexelMap.call(
                   Numo::DFloat.zeros(0, 2),
                   Numo::Int32.zeros(0, 3),
                   width_px: 4,
                   height_px: 4
                 ).texels
  end

  it "carries values from the corners to the middles of texels" do
    map = build.call([[0, 0], [8, 0], [0, 8]], [[0, 1, 2]], 8, 8)
    x, y = map.interpolate([Numo::DFloat[[0, 8, 0]], Numo::DFloat[[0, 0, 8]]])

    assert_in_delta 0.5, x[0], 1e-12
    assert_equal map.texels.to_a.map { |texel| [(texel % 8) + 0.5, (texel / 8) + 0.5] },
                 x.to_a.map { |v| v.round(9) }.zip(y.to_a.map { |v| v.round(9) })
  end

  it "is brought down to where two values are 0 to 1, without losing one of those texels or changing what it says" do
    random = Random.new(2)
    20.times do |round|
      points = Array.new(9) { |i| [(i % 3 * 20) + random.rand(12), (i / 3 * 20) + random.rand(12)] }
      triangles = [0, 1, 3, 4].flat_map { |i| [[i, i + 1, i + 4], [i, i + 4, i + 3]] }
      map = build.call(points, triangles, 60, 60)
      size = [0.2, 1.0, 9.0][round % 3]
      values =
        Array.new(2) { Numo::DFloat.cast(Array.new(8) { Array.new(3) { 0.5 + (random.rand(-1.0..1.0) / size) } }) }
      inside =
        lambda do |own|
          across, down = own.interpolate(values)
          rows = (across.ge(0) & across.le(1) & down.ge(0) & down.le(1)).where
          texels = own.texels[rows]
          places = texels.to_a.map { |at| at.divmod(own.width_px).zip([own.top_px, own.left_px]).map(&:sum) }
          places.zip(own.triangles[rows].to_a, across[rows].to_a.map { |value| value.round(9) })
        end
      # Of a part alone, and of one whose whole is known.
      parts = Array.new(2) { map.within_unit_square(*values).tap { map.owner } }

      parts.each { |part| assert_equal inside.call(map), part ? inside.call(part) : [] }
    end
  end

  it "is nothing where no triangle comes near, and whole triangles where a value does not change" do
    map = build.call([[2, 2], [12, 2], [12, 12]], [[0, 1, 2]], 16, 16)

    assert_nil map.within_unit_square(Numo::DFloat[[5, 6, 7]], Numo::DFloat[[0, 0, 1]])
    assert_equal map.texels.size,
                 map.within_unit_square(Numo::DFloat[[0.5, 0.5, 0.5]], Numo::DFloat[[0, 0, 1]]).texels.size
  end

  it "bleeds to the nearest texel within reach, by distance between middles" do
    map = build.call([[4, 4], [6, 4], [6, 6], [4, 6]], [[0, 1, 2], [0, 2, 3]], 10, 10)
    targets, sources = map.bleed(2)
    covered = map.texels.to_a
    distance = ->(a, b) { Math.hypot((a % 10) - (b % 10), (a / 10) - (b / 10)) }
    expected = ((0...100).to_a - covered).select { |texel| covered.map { |own| distance.call(texel, own) }.min <= 2 }

    assert_equal expected, targets.to_a
    targets
      .to_a
      .zip(sources.to_a) do |to, from|
        assert_in_delta covered.map { |own| distance.call(to, own) }.min, distance.call(to, from), 1e-12
      end
  end

  it "refuses to bleed further than it can" do
    assert_refused(SheetTrace::InputError, { bleed_px: 65 }) do
      build.call([[1, 1], [3, 1], [3, 3]], [[0, 1, 2]], 4, 4).bleed(65)
    end
  end
end
