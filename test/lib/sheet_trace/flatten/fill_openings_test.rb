# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::FillOpenings do
  flatten = SheetTrace::Flatten
  piece = ->(obj) { Models.read(obj).mesh.then { |mesh| flatten::Cut.call(mesh, flatten::Seams.none(mesh)).piece(0) } }
  stretch =
    lambda do |own, places|
      large, small = SheetTrace::UvMap::Jacobians.of(own.positions, places, own.triangles).singular_values
      (large / small).max
    end

  it "knows a wall with a window from a disc, from what is closed, and from what has a handle" do
    assert flatten::FillOpenings.openings?(piece.call(Models.bent_wall))
    refute flatten::FillOpenings.openings?(piece.call(Models.panel))
    refute flatten::FillOpenings.openings?(piece.call(Models.blocks([[[0, 0, 0], [1, 2, 3]]])))
    refute flatten::FillOpenings.openings?(piece.call(Models.wall([[1, 1]])))
  end

  it "lays a bent wall flat round its window, nothing turned over" do
    own = piece.call(Models.bent_wall)
    places = flatten::FillOpenings.call(own)

    assert_operator stretch.call(own, places), :<, 1.02
    assert_equal 0, flatten::Unfold.turned(own, places)
  end

  it "spares a wall the slit that unfolding would make, and not a band, which it would crush" do
    wall = Models.job(Models.bent_wall)
    rings =
      [0, 30].flat_map do |y|
        (0...12).map { |i| "v #{20 * Math.cos(i * Math::PI / 6)} #{y} #{20 * Math.sin(i * Math::PI / 6)}" }
      end
    sides = (0...12).map { |i| ((i + 1) % 12).then { |j| "f #{i + 1} #{i + 13} #{j + 13} #{j + 1}" } }
    band = Models.job([*rings, *sides].join("\n"))

    assert_equal [1, 0], open_edges(operate(wall, "lay_flat", by: "unfold", seams: "none").job)
    assert_equal 1, open_edges(operate(band, "lay_flat", by: "unfold", seams: "none").job)[1]
  end

  # @return [Array(Integer, Integer)] islands, and edges between two faces that the sheet is cut along
  def open_edges(job)
    seams = SheetTrace::Flatten::Seams.of_map(job.layout.uv_map)
    [job.layout.uv_map.island_count, (seams & job.mesh.edges.uses.eq(2)).count]
  end
end
