# frozen_string_literal: true

require_relative "../../../../test_helper"
require_relative "../../../../../demo/tea_caddy"
require "open3"

describe SheetTrace::Formats::Obj::Writer do
  textured =
    lambda do |job, name|
      mesh =
        job.mesh.with(
          materials:
            job.mesh.materials.map do |material|
              SheetTrace::Mesh::Material.new(name: material.name, image: "#{name}.png")
            end
        )
      SheetTrace::Formats::Model.of_layout(job.layout, mesh: mesh)
    end
  write =
    lambda do |job, name = "caddy"|
      SheetTrace::Formats::Obj::Writer.call(textured.call(job, name), base_name: name).files
    end

  # assimp (Open Asset Import Library) is a reader that nobody here wrote.
  it "is read by an independent program with as many vertices, faces and UVs" do
    Dir.mktmpdir do |folder|
      job = Models.job(Demo::TeaCaddy.obj)
      write.call(job).each { |name, bytes| File.binwrite(File.join(folder, name), bytes) }
      output, status = Open3.capture2e("assimp", "info", File.join(folder, "caddy.obj"), "--raw")

      assert_predicate status, :success?, output
      # Its vertices are told apart by UV: six panels of four corners. Raw: quadrilaterals stay.
      assert_equal "24", output[/^Vertices:\s+(\d+)/, 1]
      assert_equal "6", output[/^Faces:\s+(\d+)/, 1]
      Open3.capture2e("assimp", "dump", File.join(folder, "caddy.obj"), File.join(folder, "dump.assxml"))
      xml = File.read(File.join(folder, "dump.assxml"))

      assert_equal "24", xml[/<TextureCoords num="(\d+)"/, 1]
      assert_includes xml, "caddy.png"
    end
  end

  it "gives back what it was given: positions, UVs, parts and materials" do
    job = Models.job(Demo::TeaCaddy.obj)
    again = Models.job(write.call(job).fetch("caddy.obj"))

    assert_equal job.mesh.positions, again.mesh.positions
    assert_equal job.mesh.corner_vertices, again.mesh.corner_vertices
    assert_equal [job.mesh.parts, job.mesh.materials], [again.mesh.parts, again.mesh.materials]
    assert_equal job.layout.points_uv, again.layout.points_uv
  end

  it "writes the layout's UVs, not the file's" do
    job =
      operate(
        Models.job(Models.panel, width_px: 100, height_px: 100),
        "transform_islands",
        islands: [0],
        move_px: [10, 0]
      ).job
    again = Models.job(write.call(job).fetch("caddy.obj"))

    assert_in_delta 0.2, again.layout.points_uv[true, 0].min, 1e-12
  end

  it "names the texture for every material" do
    obj = [*Models.panel.lines(chomp: true), "usemtl tin plate", "f 1/1 2/2 3/3"].join("\n")
    mtl = write.call(Models.job(obj)).fetch("caddy.mtl")

    assert_equal %w[Plain tin_plate], mtl.scan(/newmtl (\S+)/).flatten
    assert_equal 2, mtl.scan("map_Kd caddy.png").size
  end

  it "writes faces without UVs without" do
    obj = [*Models.panel.lines(chomp: true), "f 1 2 3"].join("\n")

    assert_includes write.call(Models.job(obj)).fetch("caddy.obj"), "\nf 1 2 3\n"
  end
end
