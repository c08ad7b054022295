# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Mesh::SmoothNormals do
  # A ridge: a roof of two faces, one 45 degrees up, the other 45 degrees down, the second twice as large.
  mesh =
    Models.read(
      ["v 0 0 0", "v 0 0 1", "v 1 1 0", "v 1 1 1", "v 3 -1 0", "v 3 -1 1", "f 1 2 4 3", "f 3 4 6 5"].join("\n")
    ).mesh
  normals = ->(*groups) { SheetTrace::Mesh::SmoothNormals.call(mesh, Numo::Int32[*groups]).to_a }
  own = SheetTrace::Geometry::Vectors.unit(mesh.face_area_vectors).to_a

  it "shares at a common vertex what faces of one group have, by area" do
    # Area vectors (-1, 1, 0) and (2, 2, 0): together (1, 3, 0).
    wanted = [1 / Math.sqrt(10), 3 / Math.sqrt(10), 0]
    ridge = normals.call(1, 1).values_at(2, 3, 4, 5)

    ridge.each { |normal| normal.zip(wanted) { |got, part| assert_in_delta part, got, 1e-12 } }

    normals.call(1, 1)[0].zip(own[0]) { |got, part| assert_in_delta part, got, 1e-12 }
  end

  it "keeps faces of different groups, and those of none, as they are" do
    [[1, 2], [0, 0], [0, 1]].each do |groups|
      normals
        .call(*groups)
        .each_with_index do |normal, corner|
          normal.zip(own[corner / 4]) { |got, part| assert_in_delta part, got, 1e-12 }
        end
    end
  end
end
