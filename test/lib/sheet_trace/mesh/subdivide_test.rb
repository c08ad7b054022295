# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Mesh::Subdivide do
  let(:mesh) { Models.read(Models.ball(6, 8, 30.0)).mesh }

  it "cuts a quadrilateral into four and a triangle into four, as many as corners" do
    finer = SheetTrace::Mesh::Subdivide.call(mesh, [0, 8])

    assert_equal 3, mesh.face_sizes[0]
    assert_equal 4, mesh.face_sizes[8]
    assert_equal([4, 4], [0, 8].map { |face| finer.origins.eq(face).count })
  end

  it "keeps the surface closed and its area, whatever faces are named" do
    seed = Random.new_seed % 10_000
    random = Random.new(seed)
    box = SheetTrace::Solids.build("box", { width_mm: 30, height_mm: 20, depth_mm: 10 }).mesh
    box = SheetTrace::Mesh::Subdivide.call(box, (0...box.face_count).to_a).mesh
    faces = (0...box.face_count).to_a.sample(7, random: random)
    finer = SheetTrace::Mesh::Subdivide.call(box, faces)

    assert_predicate finer.mesh.edges.uses.eq(2), :all?, "seed #{seed}"
    # Euler: what a ball can be bent into has V - E + F = 2.
    assert_equal 2, finer.mesh.vertex_count - finer.mesh.edges.count + finer.mesh.face_count, "seed #{seed}"
    assert_in_delta 2200.0, flat_area(finer.mesh), 1e-9, "seed #{seed}"
  end

  it "leaves no triangle without area beside what was subdivided" do
    finer = SheetTrace::Mesh::Subdivide.call(mesh, [9])

    assert_operator triangle_areas(finer.mesh).min, :>, 0.5
  end

  it "cuts a dented face along its triangles" do
    dented = Models.read("v 0 0 0\nv 4 0 0\nv 4 4 0\nv 2 1 0\nv 0 4 0\nf 1 2 3 4 5").mesh
    finer = SheetTrace::Mesh::Subdivide.call(dented, [0])

    assert_equal 12, finer.mesh.face_count # three triangles
    assert_in_delta 10.0, flat_area(finer.mesh) # 16 less the triangle of base 4 and height 3
    assert_predicate(finer.mesh.face_area_vectors[true, 2].gt(0), :all?)
  end

  def flat_area(mesh) = SheetTrace::Geometry::Vectors.lengths(mesh.face_area_vectors).sum

  def triangle_areas(mesh)
    a, b, c = [0, 1, 2].map { |k| mesh.positions[mesh.corner_vertices[mesh.triangulation.corners[true, k]], true] }
    SheetTrace::Geometry::Vectors.lengths(SheetTrace::Geometry::Vectors.cross(b - a, c - a)) / 2
  end
end
