# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"
require "open3"
require "vips"

# Compares with programs that nobody here wrote: assimp (Open Asset Import Library), which reads and writes all of
# these formats, and the Khronos glTF validator.
describe "readers and writers beside other programs" do
  formats = SheetTrace::Formats
  # A carton, and a lid of another material with smooth normals above it.
  lid = [
    "o lid",
    "usemtl tin",
    "s 1",
    "v 0 130 0",
    "v 20 130 0",
    "v 0 130 -20",
    "v 0 150 0",
    "f 9/1 10/2 11/3",
    "f 9/1 12/2 10/3"
  ]
  obj = Demo::TeaCaddy.obj + lid.join("\n")
  png = Vips::Image.black(2, 2, bands: 3).pngsave_buffer

  def info(path)
    output, status = Open3.capture2e("assimp", "info", path, "--raw")

    assert_predicate status, :success?, output
    {
      vertices: output[/^Vertices:\s+(\d+)/, 1].to_i,
      faces: output[/^Faces:\s+(\d+)/, 1].to_i,
      bounds: %w[Minimum Maximum].map { |which| output[/^#{which} point\s+\((.*?)\)/, 1].split.map(&:to_f) }
    }
  end

  def assert_bounds(expected, got) = expected.flatten.zip(got.flatten) { |a, b| assert_in_delta a, b, 1e-4 }

  def written(extension, model)
    SheetTrace::Formats::WRITERS.fetch(extension).call(model, base_name: "model")
  end

  # What assimp writes from our OBJ, read by us: format id => how many faces there are then, and millimetres per unit.
  {
    "collada" => ["dae", 8, 1.0],
    "ply" => ["ply", 8, 1.0],
    "plyb" => ["ply", 8, 1.0],
    "gltf2" => ["gltf", 14, 1.0],
    "glb2" => ["glb", 14, 1.0],
    "obj" => ["obj", 8, 1.0]
  }.each do |id, (extension, faces, scale)|
    it "reads #{id} as another program writes it" do
      Dir.mktmpdir do |folder|
        File.write(File.join(folder, "in.obj"), obj)
        Open3.capture2e("assimp", "export", "in.obj", "out.#{extension}", "-f#{id}", chdir: folder)
        files = Dir.children(folder).grep(/\Aout/).to_h { |name| [name, File.binread(File.join(folder, name))] }
        reading = formats.read_files(files)

        assert_equal faces, reading.mesh.face_count
        assert_bounds formats.read(obj, name: "in.obj").mesh.bounds,
                      reading.mesh.bounds.map { |corner| corner.map { |x| x * scale } }
        ours = formats.read(obj, name: "in.obj")
        seen, wanted =
          [reading, ours].map do |model|
            model.uvs[model.corner_uvs, true].to_a.map { |uv| uv.map { |x| x.round(5) } }.uniq.sort
          end

        assert_equal wanted, seen
      end
    end
  end

  # What we write, read by assimp. It tells vertices apart by UV and normal: 24 of the carton and 6 of the lid.
  {
    "obj" => [8, 1.0],
    "glb" => [14, 0.001],
    "dae" => [8, 0.001],
    "ply" => [8, 1.0]
  }.each do |extension, (faces, scale)|
    it "writes #{extension} as another program reads it" do
      Dir.mktmpdir do |folder|
        reading = formats.read(obj, name: "in.obj")
        written(extension, formats::Model.of_reading(reading)).files.each do |name, bytes|
          File.binwrite(File.join(folder, name), bytes)
        end
        output = info(File.join(folder, "model.#{extension}"))

        assert_equal faces, output[:faces]
        assert_bounds reading.mesh.bounds.map { |corner| corner.map { |x| x * scale } }, output[:bounds]
      end
    end
  end

  it "writes glTF, in one file or several, that the Khronos validator finds no error in" do
    skip "npm packages are not installed" unless File.exist?("web/node_modules/gltf-validator")
    reading =
      formats.read_files(
        {
          "in.obj" => "mtllib in.mtl\n#{obj}",
          "in.mtl" => "newmtl card\nKd 1 0.5 0\nd 0.5\nmap_Kd skin.png\nnewmtl tin\nKd 1 1 1\n",
          "skin.png" => png
        }
      )
    Dir.mktmpdir do |folder|
      %w[glb gltf].each do |ending|
        files = written(ending, formats::Model.of_reading(reading)).files
        files.each { |name, bytes| File.binwrite(File.join(folder, name), bytes) }
        script =
          "const fs = require('fs'); const read = (name) => new Uint8Array(fs.readFileSync('#{folder}/' + name));" \
            "require('gltf-validator').validateBytes(read('model.#{ending}'), " \
            "{ externalResourceFunction: (uri) => Promise.resolve(read(decodeURIComponent(uri))) })" \
            ".then((r) => console.log(JSON.stringify(r)))"
        out, err, = Open3.capture3("node", "-e", script, chdir: "web")
        report = JSON.parse(out.empty? ? flunk(err) : out)

        assert_equal [0, 0],
                     report["issues"].values_at("numErrors", "numWarnings"),
                     report["issues"]["messages"].inspect
        assert_equal [2, 2, 14], report["info"].values_at("materialCount", "drawCallCount", "totalTriangleCount")
      end
    end
  end

  it "keeps through every format what both it and OBJ can hold" do
    reading =
      formats.read_files(
        {
          "in.obj" => "mtllib in.mtl\n#{obj}",
          "in.mtl" => "newmtl card\nKd 1 0.5 0\nmap_Kd skin.png\nnewmtl tin\nKd 0.25 1 1\n",
          "skin.png" => png
        }
      )
    model = formats::Model.of_reading(reading)
    %w[obj dae].each do |extension|
      again = formats.read_files(written(extension, model).files)

      assert_equal reading.mesh.face_sizes, again.mesh.face_sizes, extension
      assert_equal [reading.mesh.parts, reading.mesh.material_names, reading.images],
                   [again.mesh.parts, again.mesh.material_names, again.images],
                   extension
      assert_equal reading.mesh.positions[reading.mesh.corner_vertices, true],
                   again.mesh.positions[again.mesh.corner_vertices, true],
                   extension
      assert_equal reading.uvs[reading.corner_uvs, true], again.uvs[again.corner_uvs, true], extension
      assert_in_delta 0, (reading.mesh.corner_normals - again.mesh.corner_normals).abs.max, 1e-12, extension
    end
  end

  it "keeps normals in PLY where each vertex has one, as assimp also reads them" do
    smooth = "s 1\nv 0 0 0\nv 20 0 0\nv 0 0 -20\nv 0 20 0\nvt 0 0\nvt 1 0\nvt 0 1\nf 1/1 2/2 3/3\nf 1/1 4/2 2/3\n"
    reading = formats.read(smooth, name: "in.obj")
    ply = written("ply", formats::Model.of_reading(reading))
    again = formats.read_files(ply.files)
    Dir.mktmpdir do |folder|
      File.binwrite(File.join(folder, "model.ply"), ply.files["model.ply"])
      Open3.capture2e("assimp", "export", "model.ply", "out.obj", "-fobj", chdir: folder)
      output =
        File
          .readlines(File.join(folder, "out.obj"))
          .grep(/\Avn /)
          .map { |line| line.split.drop(1).map { |x| x.to_f.round(4) } }
          .uniq
          .sort

      assert_equal reading.mesh.corner_normals.to_a.map { |normal| normal.map { |x| x.round(4) } }.uniq.sort, output
    end

    assert_operator reading.mesh.corner_normals.to_a.uniq.size, :>, 2, "the fold must have shared and unshared normals"
    assert_in_delta 0, (reading.mesh.corner_normals - again.mesh.corner_normals).abs.max, 1e-12
    refute_includes ply.notes.map(&:code), "normals_left_out"
  end

  it "tells what a format can't hold" do
    model = formats::Model.of_reading(formats.read(obj, name: "in.obj"))

    assert_equal %w[polygons_cut], written("glb", model).notes.map(&:code)
    assert_equal %w[parts_left_out materials_left_out normals_left_out], written("ply", model).notes.map(&:code)
    assert_empty written("dae", model).notes
  end
end
