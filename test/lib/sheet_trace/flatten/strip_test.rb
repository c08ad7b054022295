# frozen_string_literal: true

require "test_helper"

# Level lines and the strips beside them, against closed forms: on solids of revolution the distance beside a level line
# is that along the slant.
describe SheetTrace::Flatten::Strip do
  triple = SheetTrace::Geometry::Triple
  mesh_of =
    lambda do |sides, low, high, height, tiers: 1, shuffle: nil|
      places = (0..tiers).flat_map { |j| (0...sides).map { |i| [j.fdiv(tiers), i * 2 * Math::PI / sides] } }
      lines =
        places.map do |share, a|
          (low + ((high - low) * share)).then { |r| "v #{r * Math.sin(a)} #{height * share} #{r * Math.cos(a)}" }
        end
      faces =
        (0...tiers).flat_map do |j|
          (0...sides).map do |i|
            [
              (j * sides) + i + 1,
              (j * sides) + ((i + 1) % sides) + 1,
              ((j + 1) * sides) + ((i + 1) % sides) + 1,
              ((j + 1) * sides) + i + 1
            ]
          end
        end
      faces = faces.shuffle(random: Random.new(shuffle)).map.with_index { |face, i| face.rotate(i % 4) } if shuffle
      SheetTrace::Formats.read([*lines, *faces.map { |face| "f #{face.join(" ")}" }].join("\n"), name: "m.obj").mesh
    end

  strip_at =
    lambda do |mesh, at, half|
      triangle, = mesh.nearest_spot((0...mesh.face_count).to_a, at)
      line, closed = SheetTrace::Flatten::LevelLine.call(mesh.welded, triangle, at[1])
      [SheetTrace::Flatten::Strip.call(mesh, line, half, closed: closed), line]
    end

  corners =
    lambda do |mesh, strip|
      surface = mesh.welded
      strip.parents.to_a.each_with_index.flat_map do |parent, row|
        Array.new(3) do |k|
          [
            triple.blend(surface.corners(parent), strip.shares[row, k, true].to_a),
            strip.along[row, k],
            strip.beside[row, k]
          ]
        end
      end
    end

  it "runs round a prism of chords, at its height, whatever the order of its faces" do
    [nil, 3].each do |shuffle|
      mesh = mesh_of.call(48, 40.0, 40.0, 120.0, tiers: 3, shuffle: shuffle)
      strip, line = strip_at.call(mesh, [3.0, 61.0, 39.9], 10.0)

      assert strip.closed
      assert_in_delta 48 * 2 * 40 * Math.sin(Math::PI / 48), strip.length, 1e-9
      assert_operator line.size, :>=, 48
      corners.call(mesh, strip).each { |place, _along, beside| assert_in_delta place[1] - 61, beside, 1e-9 }
      # What is above is on the left: seen from outside it runs to the right.
      middle = corners.call(mesh, strip).min_by { |place, _, _| triple.distance(place, [3.0, 61.0, 39.9]) }

      assert_in_delta strip.length / 2, middle[1], 3 * strip.length / 48
    end
  end

  it "is as wide along the slant of a cone, over its whole round" do
    mesh = mesh_of.call(96, 45.0, 20.0, 90.0)
    strip, = strip_at.call(mesh, [2.0, 45.0, 32.0], 8.0)
    # Of a pyramid with as many sides, from the middle of an edge below to that above.
    slant = Math.hypot(90, 25 * Math.cos(Math::PI / 96)) / 90
    found = corners.call(mesh, strip)

    found.each { |place, _, beside| assert_in_delta (place[1] - 45) * slant, beside, 0.01 }
    assert_in_delta 8, found.map(&:last).max, 1e-9
    # All of the surface within 8 mm of the line has a place: areas of strips of a cone.
    surface = mesh.welded
    area =
      strip.parents.to_a.each_with_index.sum do |parent, row|
        a, b, c = Array.new(3) { |k| triple.blend(surface.corners(parent), strip.shares[row, k, true].to_a) }
        triple.length(triple.cross(triple.minus(b, a), triple.minus(c, a))) / 2
      end

    # 192 slabs reach over each other by a fiftieth of the half width at both ends.
    assert_in_delta strip.length * 16, area - (192 * 2 * 0.16 * 16), 20
  end

  it "goes round the corners of a box, its sides in one length" do
    mesh = SheetTrace::Solids.build("box", width_mm: 80.0, height_mm: 120.0, depth_mm: 50.0).mesh
    strip, = strip_at.call(mesh, [0.0, 60.0, 25.0], 5.0)

    assert_in_delta 260, strip.length, 1e-9
    front = corners.call(mesh, strip).select { |place, _, _| (place[2] - 25).abs < 1e-9 && place[0].abs < 39 }
    shifts = front.map { |place, along, _| along - place[0] }

    assert_in_delta shifts.min, shifts.max, 1e-6
  end

  it "ends where the surface ends" do
    mesh = SheetTrace::Formats.read(Models.panel, name: "m.obj").mesh
    strip, = strip_at.call(mesh, [30.0, 50.0, 0.0], 5.0)

    refute strip.closed
    assert_in_delta 80, strip.length, 1e-9
    assert_in_delta 0, corners.call(mesh, strip).sum { |place, along, _| (along - place[0]).abs }, 1e-6
  end
end
