# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Flatten::BestWay do
  flatten = SheetTrace::Flatten
  laid =
    lambda do |mesh, limit: 1.05, seams: flatten::Seams.none(mesh)|
      flatten::BestWay.call(mesh, seams: seams, faces: (0...mesh.face_count).to_a, limit: limit)
    end
  # Largest ratio of the singular values of any triangle, and how far lengths are off.
  worst =
    lambda do |mesh, way|
      cut = flatten::Cut.call(mesh, way.seams)
      places = Numo::DFloat.zeros(cut.point_vertices.size, 2).tap { |all| all[cut.corner_points, true] = way.places }
      (0...cut.piece_count)
        .map do |index|
          piece = cut.piece(index)
          large, small =
            SheetTrace::UvMap::Jacobians.of(
              piece.positions,
              places[piece.points, true],
              piece.triangles
            ).singular_values
          [(large / small).max, (large - 1).abs.max, (small - 1).abs.max]
        end
        .transpose
        .map(&:max)
    end
  mesh = ->(kind, **measures) { SheetTrace::Solids.build(kind, measures).mesh }

  {
    "box" => [{}, { net: 1, flat: 0, rolled: 0, unfolded: 0 }],
    "plane" => [{}, { net: 0, flat: 1, rolled: 0, unfolded: 0 }],
    "cylinder" => [{ sides: 64 }, { net: 0, flat: 2, rolled: 1, unfolded: 0 }],
    "cone" => [{ sides: 48 }, { net: 0, flat: 2, rolled: 1, unfolded: 0 }],
    "ring" => [{ sides: 32 }, { net: 0, flat: 2, rolled: 2, unfolded: 0 }]
  }.each do |kind, (measures, counts)|
    it "lays a #{kind} true to 0.1 %" do
      solid = mesh.call(kind, **measures)
      way = laid.call(solid)

      assert_equal counts, way.counts
      assert_operator worst.call(solid, way)[0], :<, 1.001
      assert_operator worst.call(solid, way).drop(1).max, :<, 0.001
    end
  end

  it "makes prisms of few sides nets, and rolls a cone out to its apex" do
    [3, 5, 6, 8].each do |sides|
      solid = mesh.call("cylinder", sides: sides)

      assert_equal({ net: 1, flat: 0, rolled: 0, unfolded: 0 }, laid.call(solid).counts)
      assert_operator worst.call(solid, laid.call(solid)).max, :<, 1.001
    end
    cone = mesh.call("cone", top_mm: 0.0)

    assert_equal({ net: 0, flat: 1, rolled: 1, unfolded: 0 }, laid.call(cone).counts)
    assert_operator worst.call(cone, laid.call(cone))[0], :<, 1.001
  end

  it "lays a rounded box by its six sides, nowhere stretched by more than 2 %" do
    solid = mesh.call("rounded_box")
    way = laid.call(solid)

    assert_equal 6, flatten::Cut.call(solid, way.seams).piece_count
    assert_operator worst.call(solid, way)[0], :<, 1.02
  end

  # A wall of 5 x 3 fields, 2 thick, with a window and a door; and one that is bent, with a window.
  it "leaves openings whole, in flat walls and in bent ones" do
    [Models.wall([[1, 1], [3, 0]]), Models.wall([[1, 1], [3, 1]])].each do |obj|
      wall = Models.read(obj).mesh
      way = laid.call(wall)

      assert_operator worst.call(wall, way)[0], :<, 1.001
      # Nothing is cut within the front.
      flat =
        way.seams.where.to_a.select do |edge|
          wall.edge_faces[edge].map { |face| wall.face_area_vectors[face, 2] }.min.positive?
        end

      assert_empty flat
    end
    bent = Models.read(Models.bent_wall).mesh
    way = laid.call(bent)

    assert_equal 0, way.seams.count
    assert_operator worst.call(bent, way)[0], :<, 1.001
  end

  it "keeps drawn seams, and gives the same whatever the order of faces" do
    box = mesh.call("box")
    edge = box.edges.uses.eq(2).where[0]
    way = laid.call(box, seams: flatten::Seams.none(box).tap { |bits| bits[edge] = 1 })

    assert_equal 1, way.seams[edge]
    counts =
      5.times.map do |seed|
        order = (0..5).to_a.shuffle(random: Random.new(seed))
        laid.call(
          Models.read(Models.blocks([[[0, 0, 0], [4, 7, 2]], [[20, 0, 0], [9, 3, 3]]], order: order)).mesh
        ).counts
      end

    assert_equal [{ net: 2, flat: 0, rolled: 0, unfolded: 0 }], counts.uniq
  end

  it "parts or cuts what would be stretched, down to the limit" do
    ball = Models.read(Models.ball(12, 24, 20.0)).mesh
    [1.3, 1.1].each do |limit|
      way = laid.call(ball, limit: limit)
      cut = flatten::Cut.call(ball, way.seams)
      places = Numo::DFloat.zeros(cut.point_vertices.size, 2).tap { |all| all[cut.corner_points, true] = way.places }
      pieces = (0...cut.piece_count).map { |index| cut.piece(index) }
      areas = pieces.map { |piece| flatten::PlaneTriangles.new(piece.positions, piece.triangles).areas.sum }
      means = pieces.map { |piece| flatten::SuggestReliefCuts.stretch(piece, places[piece.points, true]) }

      assert_operator means.zip(areas).sum { |mean, area| mean * area } / areas.sum, :<=, limit
    end
  end
end
