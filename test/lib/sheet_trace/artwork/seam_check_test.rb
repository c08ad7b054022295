# frozen_string_literal: true

require "test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Artwork::SeamCheck do
  define_method(:checked) do |job|
    sheet = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: nil))
    SheetTrace::Artwork::SeamCheck.call(job.layout, sheet, unit_mm: job.unit_mm)
  end

  define_method(:filled) do |job, colors|
    colors.reduce(job) do |state, (island, color)|
      operate(state, "add_layer", content: { kind: "fill", color: color }, islands: [island]).job
    end
  end

  let(:caddy) { Models.job(Demo::TeaCaddy.obj, width_px: 512, height_px: 512) }

  it "finds no difference where all islands have one colour, or none" do
    [caddy, filled(caddy, (0..5).to_h { |island| [island, "#aa3355"] })].each do |job|
      assert_equal [0.0], checked(job).map(&:worst).uniq
      assert_equal 12, checked(job).size
    end
  end

  # The caddy is 80 x 120 x 50 mm: its front meets left and right along 120 mm, lid and base along 80.
  it "lists seams by how far their sides differ, with their lengths and faces" do
    names = caddy.island_names
    front, right = %w[Front Right].map { |name| names.index(name) }
    job = filled(caddy, (0..5).to_h { |island| [island, island == right ? "#aa3399" : "#aa3355"] })
    seams = checked(job)

    assert_equal 4, seams.count { |seam| seam.mean > 1 }
    seams
      .first(4)
      .each do |seam|
        assert_includes seam.islands, right
        assert_in_delta 0x99 - 0x55, seam.mean, 1e-9
      end
    shared = seams.find { |seam| seam.islands.sort == [front, right].sort }

    assert_in_delta 120, shared.length_mm, 1e-6
    assert_equal [front, right].map { |island| job.layout.uv_map.island_faces[island][0] }.sort, shared.faces.sort
  end

  it "sees what a decal over a seam leaves without a break, however its islands are turned" do
    names = caddy.island_names
    job = filled(caddy, (0..5).to_h { |island| [island, "#ffffff"] })
    edge = caddy.mesh.bounds[1]
    face = job.layout.uv_map.island_faces[names.index("Front")][0]
    place = { kind: "surface", face: face, at: [edge[0] - 2, edge[1] - 40, edge[2]], width_mm: 40 }
    job = operate(job, "add_layer", content: { kind: "gradient", color: "#000000", to: "#ffffff" }, place: place).job
    job = operate(job, "transform_islands", islands: [names.index("Right")], turn_rad: 0.7).job
    seam = checked(job).find { |own| own.islands.sort == %w[Front Right].map { |name| names.index(name) }.sort }

    assert_operator seam.mean, :<, 4
  end

  it "knows the seam of a band with itself" do
    job = filled(Models.job(Models.band(24)), { 0 => "#808080" })

    assert_equal [[[0, 0], 0.0]], checked(job).map { |seam| [seam.islands, seam.mean] }
  end
end
