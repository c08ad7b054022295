# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe SheetTrace::Flatten::Cut do
  flatten = SheetTrace::Flatten
  cut = ->(mesh, seams = flatten::Seams.none(mesh)) { flatten::Cut.call(mesh, seams) }
  box = Models.read(Demo::TeaCaddy.obj).mesh
  # Six squares round a hexagon, open above and below.
  band =
    Models.read(
      [
        *Array
          .new(6) { |i| [Math.cos(i * Math::PI / 3), Math.sin(i * Math::PI / 3)] }
          .flat_map { |x, z| ["v #{x} 0 #{z}", "v #{x} 1 #{z}"] },
        *Array.new(6) { |i| "f #{(2 * i) + 1} #{(2 * i) + 2} #{(2 * ((i + 1) % 6)) + 2} #{(2 * ((i + 1) % 6)) + 1}" }
      ].join("\n")
    ).mesh
  all = ->(mesh) { Numo::Bit.ones(mesh.edges.count) }
  seams = ->(mesh, edges) { Numo::Bit.zeros(mesh.edges.count).tap { |bits| edges.each { |edge| bits[edge] = 1 } } }

  # V - E + F: 2 for a box, 0 for an open band, 1 for a disc (Euler's formula).
  it "knows a closed surface, a band and a disc by their Euler characteristic, and says what cut is missing" do
    assert_equal [2, 0, 1],
                 [cut.call(box), cut.call(band), cut.call(Models.read(Models.panel).mesh)].map { |of|
                   of.piece(0).euler
                 }
    assert_match(/closed/, cut.call(box).piece(0).missing_cut)
    assert_match(/2 borders/, cut.call(band).piece(0).missing_cut)
    assert_nil cut.call(Models.read(Models.panel).mesh).piece(0).missing_cut
  end

  it "parts every face where all edges are cut, and has a point for each of their corners" do
    apart = cut.call(box, all.call(box))

    assert_equal [6, 24], [apart.piece_count, apart.point_vertices.size]
    assert(6.times.all? { |index| apart.piece(index).disc? })
  end

  it "welds corners wherever no seam parts them" do
    whole = cut.call(box)

    assert_equal [1, box.vertex_count], [whole.piece_count, whole.point_vertices.size]
    assert_equal box.corner_vertices.to_a, whole.point_vertices[whole.corner_points].to_a
  end

  it "opens a band by one cut from rim to rim: one disc, the cut's vertices twice" do
    upright =
      (0...band.edges.count).find do |edge|
        band.edges.vertices[edge, true].to_a.then { |a, b| band.positions[a, 1] != band.positions[b, 1] }
      end
    opened = cut.call(band, seams.call(band, [upright]))

    assert_equal 1, opened.piece_count
    assert_predicate opened.piece(0), :disc?
    assert_equal band.vertex_count + 2, opened.point_vertices.size
  end

  it "leaves a vertex whole that a seam only ends at" do
    edge = cut.call(box, seams.call(box, [0]))

    assert_equal [1, box.vertex_count], [edge.piece_count, edge.point_vertices.size]
  end
end
