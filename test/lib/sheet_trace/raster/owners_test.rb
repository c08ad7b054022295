# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Raster::Owners do
  owners = SheetTrace::Raster::Owners

  # By whole numbers, texel by texel: centres in units of 1/1024 px, edges by the sign of the doubled area. One on a
  # top or left edge is in, on another it is out. The last triangle has the texel.
  brute_force =
    lambda do |corners, width, height|
      owner = Array.new(width * height, 0)
      corners.each_with_index do |triangle, row|
        points = triangle.map { |point| point.map { |value| (value * 1024).round } }
        area = ->(a, b, c) { ((b[0] - a[0]) * (c[1] - a[1])) - ((b[1] - a[1]) * (c[0] - a[0])) }
        next if area.call(*points).zero?

        points = points.values_at(0, 2, 1) if area.call(*points).negative?
        height.times do |y|
          width.times do |x|
            centre = [(x * 1024) + 512, (y * 1024) + 512]
            inside =
              points.each_index.all? do |k|
                a = points[k]
                b = points[(k + 1) % 3]
                side = area.call(a, b, centre)
                top_or_left = b[1] < a[1] || (b[1] == a[1] && b[0] > a[0])
                side.positive? || (side.zero? && top_or_left)
              end
            owner[(y * width) + x] = row + 1 if inside
          end
        end
      end
      owner
    end

  # Triangles of a net over the rectangle, its inner points moved.
  net =
    lambda do |random, count, width, height|
      side = count + 1
      points =
        Array.new(side * side) do |i|
          [(i % side).fdiv(count) * width, (i / side).fdiv(count) * height].map do |value|
            (value + (random.rand(-0.3..0.3) * width / count)).clamp(-5.0, width + 5.0)
          end
        end
      (0...count)
        .to_a
        .product((0...count).to_a)
        .flat_map do |y, x|
          a = (y * side) + x
          [[a, a + 1, a + side + 1], [a, a + side + 1, a + side]].map { |triangle| points.values_at(*triangle) }
        end
    end

  it "gives each centre to the triangle that it lies in, at random, turned and off the sheet too" do
    20.times do |seed|
      random = Random.new(seed)
      corners = Array.new(12) { Array.new(3) { [random.rand(-8.0..30.0), random.rand(-8.0..30.0)] } }
      width, height = [random.rand(1..24), random.rand(1..24)]

      assert_equal brute_force.call(corners, width, height),
                   owners.call(Numo::DFloat.cast(corners), width, height).to_a,
                   "seed #{seed}"
    end
  end

  it "takes corners on centres, edges along rows and triangles of no area" do
    corners = [
      [[1.5, 1.5], [6.5, 1.5], [6.5, 6.5]],
      [[1.5, 1.5], [6.5, 6.5], [1.5, 6.5]],
      [[0, 8], [8, 8], [4, 8]],
      [[9.5, 0.5], [9.5, 3.5], [12.5, 0.5]]
    ]

    assert_equal brute_force.call(corners, 14, 10), owners.call(Numo::DFloat.cast(corners), 14, 10).to_a
  end

  it "leaves no texel of a net out and gives none twice, whatever the order of triangles and corners" do
    [3, 9].each do |seed|
      random = Random.new(seed)
      corners = net.call(random, 9, 40, 31)
      expected = brute_force.call(corners, 40, 31)

      assert_equal expected, owners.call(Numo::DFloat.cast(corners), 40, 31).to_a
      order = (0...corners.size).to_a.shuffle(random: random)
      mixed = order.map { |row| corners[row].rotate(random.rand(3)) }
      back = owners.call(Numo::DFloat.cast(mixed), 40, 31).to_a

      assert_equal expected.map(&:zero?), back.map(&:zero?)
    end
  end

  it "gives overlapping triangles' texels to the last" do
    corners = [[[0, 0], [10, 0], [0, 10]], [[2, 2], [12, 2], [2, 12]], [[0, 0], [10, 0], [0, 10]]]

    assert_equal brute_force.call(corners, 12, 12), owners.call(Numo::DFloat.cast(corners), 12, 12).to_a
  end

  it "counts more triangles than are worked on at a time, each its own" do
    count = 9000 # of one texel each, in rows of 100
    corners =
      Array
        .new(count) { |i| [[i % 100, i / 100], [(i % 100) + 2, i / 100], [i % 100, (i / 100) + 2]] }
        .map { |points| points.map { |x, y| [x.to_f, y.to_f] } }
    expected = brute_force.call(corners.first(150), 100, 2)

    assert_equal expected, owners.call(Numo::DFloat.cast(corners.first(150)), 100, 2).to_a
    all = owners.call(Numo::DFloat.cast(corners), 100, 90)

    assert_equal (1..count).to_a, all.to_a # a later one has only the corner of its neighbours, never their centres
  end

  it "gives nothing where there is nothing" do
    assert_equal [0] * 6, owners.call(Numo::DFloat.zeros(0, 3, 2), 3, 2).to_a
  end
end
