# frozen_string_literal: true

require_relative "../../../../test_helper"

# Section and page names are those of "Object Files (.obj)", Wavefront Advanced Visualizer manual, appendix B1.
describe SheetTrace::Formats::Obj::Reader do
  read = ->(text, name = "box.obj") { SheetTrace::Formats.read(text, name: name) }
  corners = ["v 0 0 0", "v 1 0 0", "v 1 1 0", "v 0 1 0"]
  uvs = ["vt 0 0", "vt 1 0", "vt 1 1", "vt 0 1"]
  square = [*corners, *uvs, "f 1/1 2/2 3/3 4/4"]
  faces =
    lambda do |reading|
      mesh = reading.mesh
      mesh.face_starts.to_a.each_cons(2).map { |start, stop| mesh.corner_vertices[start...stop].to_a }
    end
  codes = ->(reading) { reading.notes.map(&:code) }

  it "keeps polygons as polygons" do
    reading = read.call([*corners, "v 0.5 1.5 0", "f 1 2 3 5 4", "f 1 2 3"].join("\n"))

    assert_equal [[0, 1, 2, 4, 3], [0, 1, 2]], faces.call(reading)
  end

  # "f -4 -3 -2 -1" behind four vertices, twice: the manual's own square, "Cube with negative reference numbers".
  it "counts negative indices back from the line they stand on" do
    reading =
      read.call([*corners, "f -4 -3 -2 -1", *corners.map { |line| line.sub(/0$/, "5") }, "f -4 -3 -2 -1"].join("\n"))

    assert_equal [[0, 1, 2, 3], [4, 5, 6, 7]], faces.call(reading)
  end

  it "reads corners with UV, with normal, with both and with neither" do
    written = {
      "f 1 2 3" => false,
      "f 1/1 2/2 3/3" => true,
      "f 1//1 2//1 3//1" => false,
      "f 1/1/1 2/2/1 3/3/1" => true
    }
    reading = read.call([*corners, *uvs, "vn 0 0 1", *written.keys].join("\n"))

    assert_equal written.values.map { |mapped| mapped ? 1 : 0 }, reading.face_mapped.to_a
    assert_equal [[0, 1, 2]] * 4, faces.call(reading)
    assert_equal [0, 1, 2], reading.corner_uvs[3..5].to_a
  end

  it "names parts by o and g, and materials by usemtl" do
    mesh =
      read.call(
        [*corners, "o box", "usemtl card", "f 1 2 3", "g lid", "f 1 3 4", "o tray", "usemtl tin", "f 1 2 4"].join("\n")
      ).mesh

    assert_equal ["box", "box / lid", "tray"], mesh.parts
    assert_equal [0, 1, 2], mesh.face_parts.to_a
    assert_equal %w[card tin], mesh.material_names
    assert_equal [0, 0, 1], mesh.face_materials.to_a
  end

  it "reads any line ending, continued lines, tabs, comments and a byte-order mark" do
    plain = read.call(square.join("\n"))
    variants = {
      "CR LF" => square.join("\r\n"),
      "CR" => square.join("\r"),
      "mark" => "\u{FEFF}#{square.join("\n")}",
      "tabs" => square.join("\n").tr(" ", "\t"),
      "blanks" => square.map { |line| "  #{line.gsub(" ", "   ")}  " }.join("\n"),
      "comments" => square.map { |line| "#{line} # of ours" }.join("\n# and more\n"),
      "continued" => square.join("\n").sub("f 1/1 2/2", "f 1/1 \\\n 2/2")
    }
    variants.each do |what, text|
      reading = read.call(text)

      assert_equal [plain.mesh.positions, plain.uvs, faces.call(plain)],
                   [reading.mesh.positions, reading.uvs, faces.call(reading)],
                   what
    end
  end

  it "reads numbers as C prints them" do
    reading = read.call(["v .5 1. +2", "v -1e-3 2E2 1.e1", "v 0 0 0", "f 1 2 3"].join("\n"))

    assert_equal [[0.5, 1.0, 2.0], [-0.001, 200.0, 10.0]], reading.mesh.positions.to_a.first(2)
  end

  it "tells what it leaves out, with count and first line" do
    note =
      read
        .call([*corners, "p 1", "p 2", "l 1 2", "bevel on", "f 1 2 3"].join("\n"))
        .notes
        .find { |found| found.code == "points_ignored" }

    assert_equal({ file: "box.obj", line: 5, count: 2 }, note.where)
    assert_match(/box\.obj, 2 lines, the first is line 5/, note.message)
    assert_equal %w[lines_ignored no_uvs points_ignored unknown_word],
                 codes.call(read.call([*corners, "p 1", "l 1 2", "bevel on", "f 1 2 3"].join("\n"))).sort
  end

  it "tells of faces without area and without UVs" do
    reading = read.call([*square, "f 1 2 2", "f 1 3 4"].join("\n"))

    assert_equal %w[faces_without_area faces_without_uvs], codes.call(reading).sort
    assert_equal 10, reading.notes.find { |note| note.code == "faces_without_area" }.where[:line]
  end

  # What each faulty file says, and the line it names.
  {
    "an index out of range" => [[*square, "f 1/1 2/2 9/3"], 10, /vertex 9 does not exist; the file has 4/],
    "a UV out of range" => [[*square, "f 1/1 2/2 3/7"], 10, /UV 7 does not exist; the file has 4/],
    "an index of 0" => [[*square, "f 0/1 2/2 3/3"], 10, /vertex 0 does not exist/],
    "a negative index too far back" => [[*square, "f -5 -1 -2"], 10, /vertex -5 does not exist/],
    "a number that is none" => [["v 0 0 nan", *square], 1, /"nan" is not a finite number/],
    "infinity" => [["v 0 0 0", "v 0 inf 0", *square], 2, /"inf" is not a finite number/],
    "a number too large" => [["v 0 0 1e999", *square], 1, /too large/],
    "too few numbers" => [["v 0 0", *square], 1, /2 numbers, and at least 3 are needed/],
    "a face of two corners" => [[*square, "f 1/1 2/2"], 10, /a face of 2 corners/],
    "corners written in two ways" => [[*square, "f 1/1 2 3/3"], 10, /not a list of corners/],
    "words in a face" => [[*square, "f one two three"], 10, /not a list of corners/],
    "a bare f" => [[*square, "f"], 10, /f stands alone/]
  }.each do |what, (lines, line, message)|
    it "names the line of #{what}" do
      assert_refused(SheetTrace::FormatError, { file: "box.obj", line: line }, message: message) do
        read.call(lines.join("\n"))
      end
    end
  end

  it "refuses what is no OBJ file, naming the file" do
    {
      "" => /is empty/,
      " \n " => /is empty/,
      "hello\nworld" => /not an OBJ file/,
      "v 0 0 0\n" => /has no faces/,
      "\x7FELF\0\0\1" => /bytes that are not text/
    }.each do |bytes, message|
      assert_refused(SheetTrace::FormatError, { file: "box.obj" }, message: message) { read.call(bytes.b) }
    end
  end

  it "reads names that are not UTF-8" do
    assert_equal ["caf\u{FFFD}"], read.call([*corners, "o caf\xE9".b, "f 1 2 3"].map(&:b).join("\n")).mesh.parts
  end
end
