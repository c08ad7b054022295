# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Flatten::SquareOn do
  it "shows each face in true shape, its least corner at 0, up on the model up" do
    mesh = SheetTrace::Solids.build("box", { width_mm: 40, height_mm: 30, depth_mm: 20 }).mesh
    flat = SheetTrace::Flatten::SquareOn.call(mesh)
    sizes =
      mesh.face_count.times.map do |face|
        own = flat[mesh.corner_faces.eq(face).where, true]

        assert_equal [0, 0], own.min(axis: 0).to_a.map { |value| value.round(9) }
        own.max(axis: 0).to_a.map { |value| value.round(9) }
      end

    assert_equal ([[20, 30]] * 2) + ([[40, 20]] * 2) + ([[40, 30]] * 2), sizes.sort
  end
end
