# frozen_string_literal: true

require_relative "../../../test_helper"
require "open3"

# Two squares side by side, each corner of another colour, sRGB; the fifth and sixth vertex have none.
describe "colours of vertices" do
  formats = SheetTrace::Formats
  colors = [[1, 0, 0], [0, 1, 0], [0.2, 0.4, 0.6], [0.5, 0.5, 0.5], [1, 1, 1], [1, 1, 1]]
  places = [[0, 0], [1, 0], [1, 1], [0, 1], [2, 0], [2, 1]]
  lines = places.each_with_index.map { |(x, y), k| "v #{[x, y, 0, *(colors[k] if k < 4)].join(" ")}" }
  obj = [*lines, "vt 0 0", "vt 1 0", "vt 1 1", "f 1/1 2/2 3/3 4/1", "f 2/1 5/2 6/3 3/1"].join("\n")
  read = ->(text = obj) { formats.read(text, name: "in.obj") }
  # Place => colour, of each corner.
  seen = ->(mesh, digits = 4) do
    mesh.positions[mesh.corner_vertices, true]
      .to_a
      .zip(mesh.corner_colors.to_a)
      .to_h { |(x, y), color| [[x, y].map { |a| a.round(6) }, color.map { |share| share.round(digits) }] }
  end
  wanted = places.map { |place| place.map(&:to_f) }.zip(colors.map { |color| [*color.map(&:to_f), 1.0] }).to_h

  it "are read from OBJ, from 0 to 1 or to 255" do
    whole =
      obj.gsub(/^(v \S+ \S+ \S+) (\S+) (\S+) (\S+)/) do
        "#{Regexp.last_match(1)} #{[Regexp.last_match(2), Regexp.last_match(3), Regexp.last_match(4)].map { |n| (n.to_f * 255).round }.join(" ")}"
      end

    assert_equal wanted, seen.call(read.call.mesh)
    assert_empty read.call.notes
    wanted.each do |place, color|
      seen.call(read.call(whole).mesh)[place].zip(color) { |a, b| assert_in_delta b, a, 0.0021 }
    end

    assert_nil read.call(obj.gsub(/^(v \S+ \S+ \S+).*/, '\1')).mesh.corner_colors
  end

  { "obj" => 1e-4, "ply" => 0.0021, "glb" => 1e-4, "gltf" => 1e-4 }.each do |extension, delta|
    it "go out as #{extension} and come back the same" do
      written =
        formats::WRITERS.fetch(extension).call(formats::Model.of_reading(read.call, unit_mm: 1000.0), base_name: "m")
      again = seen.call(formats.read_files(written.files).mesh)

      assert_equal wanted.keys.sort, again.keys.sort
      wanted.each { |place, color| again[place].zip(color) { |a, b| assert_in_delta b, a, delta, place.inspect } }

      refute_includes written.notes.map(&:code), "vertex_colours_averaged"
    end
  end

  # glTF 2.0, 3.7.2.1: the colours are light. IEC 61966-2-1: 0.5 of sRGB is 0.2140 of it.
  it "are light in glTF" do
    mesh = formats::WRITERS.fetch("gltf").call(formats::Model.of_reading(read.call), base_name: "m").files
    json = JSON.parse(mesh["m.gltf"])
    accessor = json["accessors"][json["meshes"][0]["primitives"][0]["attributes"]["COLOR_0"]]
    view = json["bufferViews"][accessor["bufferView"]]
    numbers =
      mesh.find { |name, _| name.end_with?(".bin") }[1].byteslice(view["byteOffset"], view["byteLength"]).unpack("e*")

    assert_equal "VEC4", accessor["type"]
    assert_includes numbers.each_slice(4).map { |color| color.map { |x| x.round(4) } }, [0.214, 0.214, 0.214, 1.0]
  end

  # What another program (assimp) writes of our PLY.
  it "are read by another program" do
    Dir.mktmpdir do |folder|
      formats::WRITERS
        .fetch("ply")
        .call(formats::Model.of_reading(read.call), base_name: "m")
        .files
        .each { |name, bytes| File.binwrite(File.join(folder, name), bytes) }
      Open3.capture2e("assimp", "export", "m.ply", "out.obj", "-fobj", chdir: folder)
      rows = File.readlines(File.join(folder, "out.obj")).grep(/\Av /).map { |line| line.split.drop(1).map(&:to_f) }
      theirs = rows.to_h { |x, y, _z, *color| [[x, y], color.first(3)] }

      wanted.each do |place, color|
        theirs.fetch(place).zip(color) { |a, b| assert_in_delta b, a, 1.0 / 255, place.inspect }
      end
    end
  end

  it "stay with their corners when faces are turned round, made smaller, kept, picked by part and mirrored" do
    job = Models.job(obj)
    flipped = operate(job, "flip_normals", faces: [0]).job
    finer = operate(job, "subdivide_faces", faces: [0]).job
    dumped = SheetTrace::Job::Snapshot.dump(job)
    kept = SheetTrace::Job::Snapshot.load(dumped.document, dumped.blobs.method(:fetch)).job.mesh

    assert_equal wanted, seen.call(flipped.mesh)
    assert_equal [0.5, 0.5, 0.0, 1.0], seen.call(finer.mesh)[[0.5, 0.0]]
    assert_equal wanted, seen.call(kept)
    model = formats::Model.of_reading(read.call)

    assert_equal wanted, seen.call(model.of_parts([0]).mesh)
    assert_equal wanted, seen.call(model.mirrored.mirrored.mesh)
  end

  it "are averaged where a format holds one for each vertex and faces differ, and that is said" do
    mesh = read.call.mesh
    split = mesh.corner_colors.copy.tap { |own| own[mesh.corner_faces.eq(1).where, true] = Numo::DFloat[0, 0, 1, 1] }
    model = formats::Model.of_reading(read.call).with(mesh: mesh.with(corner_colors: split))
    ply = formats::WRITERS.fetch("ply").call(model, base_name: "m")

    assert_includes ply.notes.map(&:code), "vertex_colours_averaged"
    assert_in_delta 0.5, seen.call(formats.read_files(ply.files).mesh)[[1.0, 0.0]][2], 0.003
    assert_includes formats::WRITERS.fetch("dae").call(model, base_name: "m").notes.map(&:code),
                    "vertex_colours_left_out"
    refute_includes formats::WRITERS.fetch("glb").call(model, base_name: "m").notes.map(&:code),
                    "vertex_colours_averaged"
  end
end
