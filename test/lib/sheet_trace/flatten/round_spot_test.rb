# frozen_string_literal: true

require "test_helper"

# Checked against closed forms: where places of each surface lie when it is unrolled, or how far they are from the spot.
describe SheetTrace::Flatten::RoundSpot do
  nearest = SheetTrace::Geometry::NearestOnTriangle
  triple = SheetTrace::Geometry::Triple

  # @param rows [Array<Array>] of places, each as long; quads or triangles between them
  grid =
    lambda do |rows, quads: false|
      wide = rows.first.size
      faces =
        (0...(rows.size - 1)).flat_map do |j|
          (0...(wide - 1)).flat_map do |i|
            a = (j * wide) + i + 1
            corners = [a, a + 1, a + wide + 1, a + wide]
            quads ? [corners] : [corners.values_at(0, 1, 2), corners.values_at(0, 2, 3)]
          end
        end
      lines = rows.flatten(1).map { |place| "v #{place.join(" ")}" } + faces.map { |face| "f #{face.join(" ")}" }
      SheetTrace::Formats.read(lines.join("\n"), name: "m.obj").mesh
    end

  # Sides of a prism round the y axis, one to one with flat places: arcs are chords.
  prism =
    lambda do |sides, tiers, low, high, height|
      around = (0..sides).map { |i| ((i.fdiv(sides) * 2) - 1) * Math::PI }
      (0..tiers).map do |j|
        radius = low + ((high - low) * j / tiers)
        around.map { |angle| [radius * Math.sin(angle), height * j / tiers, radius * Math.cos(angle)] }
      end
    end

  # An octahedron parted n times, on a ball.
  ball =
    lambda do |radius, parts|
      faces =
        [1.0, -1.0].product([1.0, -1.0], [1.0, -1.0])
          .map do |x, y, z|
            [[x, 0.0, 0.0], [0.0, y, 0.0], [0.0, 0.0, z]].then { |own| x * y * z > 0 ? own : own.reverse }
          end
      parts.times do
        faces =
          faces.flat_map do |a, b, c|
            ab, bc, ca = [[a, b], [b, c], [c, a]].map { |p, q| triple.middle(p, q) }
            [[a, ab, ca], [ab, b, bc], [ca, bc, c], [ab, bc, ca]]
          end
      end
      corners = faces.flatten(1).map { |corner| triple.unit(corner).map { |value| value * radius } }
      lines = corners.map { |place| "v #{place.join(" ")}" }
      lines += (0...faces.size).map { |i| "f #{(3 * i) + 1} #{(3 * i) + 2} #{(3 * i) + 3}" }
      SheetTrace::Formats.read(lines.join("\n"), name: "m.obj").mesh
    end

  spot =
    lambda do |mesh, at|
      surface = mesh.welded
      (0...mesh.triangulation.count)
        .map do |triangle|
          shares = nearest.call(surface.corners(triangle), at)
          [triangle, shares, triple.distance(triple.blend(surface.corners(triangle), shares), at)]
        end
        .min_by(&:last)
        .first(2)
    end

  # @return [Array(Array, Array)] places in space of the pieces' corners, and where they lie
  corners =
    lambda do |mesh, laid|
      surface = mesh.welded
      laid.parents.to_a.each_with_index.flat_map do |parent, row|
        Array.new(3) do |k|
          [triple.blend(surface.corners(parent), laid.shares[row, k, true].to_a), laid.places[row, k, true].to_a]
        end
      end
    end

  lay = ->(mesh, at, reach, **options) do
    SheetTrace::Flatten::RoundSpot.call(mesh, *spot.call(mesh, at), reach: reach, **options)
  end

  # Largest difference from a closed form, within a distance of the spot.
  off =
    lambda do |mesh, laid, within, flat|
      corners
        .call(mesh, laid)
        .filter_map do |place, (u, v)|
          x, y = flat.call(place)
          Math.hypot(u - x, v - y) if Math.hypot(x, y) <= within
        end
        .max
    end

  it "is exact on a plane, whatever its triangles" do
    [1, 7].each do |parts|
      rows = (0..parts).map { |j| (0..parts).map { |i| [(120.0 * i / parts) - 60, (120.0 * j / parts) - 60, 0.0] } }
      mesh = grid.call(rows)
      laid = lay.call(mesh, [3.0, 5.0, 0.0], 30.0)

      assert_operator off.call(mesh, laid, 30, ->(place) { [place[0] - 3, place[1] - 5] }), :<, 1e-9
      assert_in_delta 1, laid.stretches.max, 1e-9
      assert_equal 0, laid.cracks.shape[0]
    end
  end

  it "is exact on the sides of a prism, over its seam, in one tier of long faces or in many" do
    sides = 48
    chord = 2 * 40 * Math.sin(Math::PI / sides)
    [[1, true], [1, false], [30, false]].each do |tiers, quads|
      mesh = grid.call(prism.call(sides, tiers, 40.0, 40.0, 120.0), quads: quads)
      # Along the chords from the middle of the back, where the sides begin and end.
      flat =
        lambda do |(x, y, z)|
          side = Math.atan2(x, -z) / (2 * Math::PI / sides)
          whole = side.floor
          angle = (side - whole - 0.5) * 2 * Math::PI / sides
          along = (Math.tan(angle) / Math.tan(Math::PI / sides) / 2) + 0.5
          [-(whole + along) * chord, y - 60]
        end
      laid = lay.call(mesh, [0.0, 60.0, -40.0], 30.0)

      # The spot is moved a thousandth off the edge that it lies on.
      assert_operator off.call(mesh, laid, 28, flat), :<, 1e-6
      near = tiers == 1 ? true : laid.places.abs.max(axis: 2).max(axis: 1).lt(25).where

      assert_in_delta 1, laid.stretches[near].max, 1e-6
    end
  end

  it "keeps shapes on a truncated cone" do
    mesh = grid.call(prism.call(64, 12, 45.0, 20.0, 90.0))
    laid = lay.call(mesh, [2.0, 45.0, 32.0], 25.0)

    assert_in_delta 1, laid.stretches[laid.places.abs.max(axis: 2).max(axis: 1).lt(20).where].max, 1e-6
  end

  # Distances along a great circle: the ball's radius times the angle.
  it "keeps distances from the spot and roundness on a ball within 1.5 %, at half its radius" do
    mesh = ball.call(40.0, 4)
    at = triple.unit([0.3, 0.4, 1.0]).map { |value| value * 40 }
    laid = lay.call(mesh, at, 20.0)
    ratios =
      corners
        .call(mesh, laid)
        .filter_map do |place, (u, v)|
          far = 40 * Math.acos(triple.dot(triple.unit(place), triple.unit(at)).clamp(-1, 1))
          Math.hypot(u, v) / far if far.between?(6, 19)
        end

    assert_in_delta 1, ratios.sum / ratios.size, 0.01
    assert_operator ratios.max - ratios.min, :<, 0.03
  end

  describe "at a box" do
    let(:mesh) { SheetTrace::Solids.build("box", width_mm: 80.0, height_mm: 120.0, depth_mm: 50.0).mesh }

    it "is laid round an edge, or stops there" do
      laid = lay.call(mesh, [35.0, 60.0, 25.0], 30.0)
      flat = ->((x, y, z)) { [x > 39.999 && z < 24.999 ? 5 + (25 - z) : x - 35, y - 60] }

      assert_operator off.call(mesh, laid, 29, flat), :<, 1e-6
      stopped = lay.call(mesh, [35.0, 60.0, 25.0], 30.0, over_edges: false)

      assert_equal [25.0], corners.call(mesh, stopped).map { |place, _| place[2].round(6) }.uniq
    end

    it "is torn over a corner where faces keep their shapes, and stretched where it is smooth" do
      at = [33.0, 113.0, 25.0]
      creased = lay.call(mesh, at, 25.0, way: "creased")
      smooth = lay.call(mesh, at, 25.0)

      assert_in_delta 1, creased.stretches.max, 1e-6
      assert_operator creased.cracks.shape[0], :>, 0
      assert_operator smooth.stretches.max, :>, 1.02
    end

    it "does not go through to the back when it is seen square-on" do
      laid = lay.call(mesh, [0.0, 60.0, 25.0], 60.0, way: "square_on")

      assert_equal [25.0], corners.call(mesh, laid).map { |place, _| place[2].round(6) }.uniq
      assert_operator off.call(mesh, laid, 60, ->((x, y, _z)) { [x, y - 60] }), :<, 1e-9
    end
  end

  it "lays the same whatever the order of faces, and whichever corner each starts with" do
    rows = prism.call(24, 6, 30.0, 22.0, 60.0)
    mesh = grid.call(rows)
    order = Numo::Int64.cast((0...mesh.face_count).to_a.shuffle(random: Random.new(3)))
    starts = mesh.face_starts[order]
    corners_of = Numo::Int64.cast(starts.to_a.flat_map { |start| [start + 1, start + 2, start] })
    shuffled = mesh.with(corner_vertices: mesh.corner_vertices[corners_of].copy)
    sets =
      [mesh, shuffled].map do |own|
        laid = lay.call(own, [3.0, 29.0, 26.0], 15.0)
        # Where the parents' corners lie by the maps that the pieces have.
        laid.stretches.max
      end

    assert_in_delta sets[0], sets[1], 1e-6
  end
end
