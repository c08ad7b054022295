# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::Upright do
  positions = Numo::DFloat[[0, 0, 0], [30, 0, 0], [30, 20, 0], [0, 20, 0]]
  triangles = Numo::Int32[[0, 1, 2], [0, 2, 3]]

  it "turns a piece back by whatever it was turned" do
    [0.0, 0.4, -1.7, 3.1].each do |angle|
      turned = SheetTrace::Geometry::Affine.turn(angle).apply(positions[true, 0..1])
      places = SheetTrace::Flatten::Upright.call(positions, triangles, turned, Numo::DFloat[[0, 0, 1]])
      side = places[3, true] - places[0, true]

      assert_in_delta 0, side[0], 1e-9
      assert_in_delta 20, side[1], 1e-9
    end
  end

  it "stands the net of a closed box with its front upright, where up points all ways" do
    [[38, 61, 25], [62, 40, 30], [25, 25, 60], [51, 41, 64]].each_with_index do |size, i|
      job = Models.job(Models.blocks([[[0, 0, 0], size]], order: (0..5).to_a.shuffle(random: Random.new(i))))
      operation = SheetTrace::Operations.from_h("lay_flat", { by: "best" })
      job = SheetTrace::Operations.run(operation, job, pictures: ->(_) {}).job
      map = job.layout.uv_map
      front = job.mesh.face_area_vectors[true, 2].max_index
      points = map.corner_points[job.mesh.face_starts[front]...job.mesh.face_starts[front + 1]].to_a
      corners = points.to_h { |point| [job.mesh.positions[map.point_vertices[point], true].to_a, point] }
      low, high = [-0.5, 0.5].map { |share| corners.fetch([-0.5 * size[0], share * size[1], 0.5 * size[2]]) }
      places = job.flat_map(0).by_point

      assert_in_delta 0, places[0][low] - places[0][high], 1e-6
      assert_in_delta size[1], places[1][high] - places[1][low], 1e-6
    end
  end
end
