# frozen_string_literal: true

require_relative "../../../test_helper"
require "open3"

# Three wedges of one shape, turned and moved, one of them with UVs of its own; and a block.
describe SheetTrace::Formats::Instances do
  formats = SheetTrace::Formats
  corners = [[0, 0, 0], [4, 0, 0], [4, 0, 2], [0, 0, 2], [0, 3, 0], [0, 3, 2]]
  faces = [[1, 2, 3, 4], [1, 5, 2], [4, 3, 6], [2, 5, 6, 3], [1, 4, 6, 5]]
  moves = {
    "wedge" => [0, [0, 0, 0]],
    "wedge turned" => [1.1, [10, 0, 3]],
    "wedge beside" => [0, [20, 1, 0]],
    "wedge apart" => [0.4, [-9, 0, 0]]
  }
  obj =
    lambda do |mirrored: nil|
      vertex = 0
      moves
        .flat_map do |name, (angle, (right, up, front))|
          sign = name == mirrored ? -1 : 1
          shift = name == "wedge apart" ? 0.5 : 0.0
          rows =
            corners.map do |x, y, z|
              x *= sign
              "v #{(x * Math.cos(angle)) + (z * Math.sin(angle)) + right} #{y + up} " \
                "#{(z * Math.cos(angle)) - (x * Math.sin(angle)) + front}"
            end
          uvs = (0...6).map { |k| "vt #{(k * 0.07) + shift} #{(k % 3) * 0.11}" }
          polygons = faces.map { |own| "f #{own.map { |k| "#{k + vertex}/#{k + vertex}" }.join(" ")}" }
          vertex += 6
          ["o #{name}", *rows, *uvs, *polygons]
        end
        .join("\n")
    end
  model = ->(**how) { formats::Model.of_reading(formats.read(obj.call(**how), name: "in.obj"), unit_mm: 10.0) }

  it "finds parts that are another once more, turned and moved, and looks the same" do
    found = formats::Instances.call(model.call)

    assert_equal({ 1 => 0, 2 => 0 }, found.transform_values(&:first))
    assert_in_delta 0, (found[2][1][0..2, 3] - Numo::DFloat[20, 1, 0]).abs.max, 1e-9
    # A mirrored one is no move; nor is what has other UVs.
    assert_equal [2], formats::Instances.call(model.call(mirrored: "wedge turned")).keys
  end

  %w[glb gltf dae].each do |extension|
    it "writes them once in #{extension}, and they come back where they were" do
      own = model.call
      written = formats::WRITERS.fetch(extension).call(own, base_name: "m")
      again = formats.read_files(written.files)
      place = ->(mesh, unit) do
        mesh.parts.each_index.to_h do |part|
          rows = mesh.face_parts[mesh.corner_faces].eq(part).where
          [
            mesh.parts[part],
            (mesh.positions[mesh.corner_vertices[rows], true] * unit)
              .to_a
              .map { |at| at.map { |x| x.round(3) } }
              .uniq
              .sort
          ]
        end
      end

      assert_equal place.call(own.mesh, 10.0), place.call(again.mesh, again.unit_mm)
      assert_equal 2, written.files["m.dae"].scan("<geometry ").size if extension == "dae"
      assert_equal 2, JSON.parse(written.files["m.gltf"])["meshes"].size if extension == "gltf"
    end
  end

  it "is valid glTF, and another program sees every part" do
    files = formats::WRITERS.fetch("glb").call(model.call, base_name: "m").files
    Dir.mktmpdir do |folder|
      File.binwrite(File.join(folder, "m.glb"), files["m.glb"])
      output, = Open3.capture2e("assimp", "export", "m.glb", "out.obj", "-fobj", chdir: folder)
      rows = File.readlines(File.join(folder, "out.obj")).grep(/\Av /).map { |line| line.split[1].to_f }

      assert_in_delta 0.24, rows.max, 1e-4, output
      skip "npm packages are not installed" unless File.exist?("web/node_modules/gltf-validator")
      script =
        "require('gltf-validator').validateBytes(new Uint8Array(require('fs').readFileSync('#{folder}/m.glb')))" \
          ".then((r) => console.log(JSON.stringify(r.issues)))"
      issues = JSON.parse(Open3.capture3("node", "-e", script, chdir: "web")[0])

      assert_equal [0, 0], issues.values_at("numErrors", "numWarnings"), issues["messages"].inspect
    end
  end
end
