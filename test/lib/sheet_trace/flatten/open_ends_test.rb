# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::OpenEnds do
  ball = -> { SheetTrace::Solids.build("ball", { sides: 16 }).mesh }
  equator =
    lambda do |mesh|
      middle = mesh.bounds.transpose[1].sum / 2
      mesh.edges.vertices.to_a.each_index.select do |edge|
        mesh.edges.vertices[edge, true].to_a.all? { |vertex| (mesh.positions[vertex, 1] - middle).abs < 1e-6 }
      end
    end
  seams = ->(mesh, edges) { SheetTrace::Flatten::Seams.none(mesh).tap { |bits| bits[edges] = 1 } }

  it "finds both ends of a nearly closed line, and the edge that closes it" do
    mesh = ball.call
    line = equator.call(mesh)
    ends = SheetTrace::Flatten::OpenEnds.call(mesh, seams.call(mesh, line - [line[5]]))

    assert_equal mesh.edges.vertices[line[5], true].to_a, ends.map(&:vertex).sort
    assert_equal [[line[5]]] * 2, ends.map(&:gap)
    assert_equal 16, line.size
  end

  it "finds none of a closed line, of a line from border to border, or where nothing is cut" do
    mesh = ball.call

    assert_empty SheetTrace::Flatten::OpenEnds.call(mesh, seams.call(mesh, equator.call(mesh)))
    assert_empty SheetTrace::Flatten::OpenEnds.call(mesh, SheetTrace::Flatten::Seams.none(mesh))
    band = Models.read(Models.band(12)).mesh
    upright = (0...band.edges.count).find { |edge| band.edges.uses[edge] == 2 }

    assert_empty SheetTrace::Flatten::OpenEnds.call(band, seams.call(band, [upright]))
  end

  it "leads an end on to another seam by the shortest way" do
    mesh = ball.call
    line = equator.call(mesh)
    # One step up from the equator, then nothing: its way on is back to the equator or another line; here the equator.
    foot = mesh.edges.vertices[line[0], 0]
    up = mesh.vertex_edges[foot].find { |edge| !line.include?(edge) }
    found = SheetTrace::Flatten::OpenEnds.call(mesh, seams.call(mesh, line + [up]))

    assert_equal 1, found.size
    assert_equal 2, found.first.gap.size # sideways and down again
  end
end
