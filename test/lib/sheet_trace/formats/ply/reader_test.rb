# frozen_string_literal: true

require_relative "../../../../test_helper"

describe SheetTrace::Formats::Ply::Reader do
  read =
    lambda do |bytes, **beside|
      SheetTrace::Formats.read_files({ "cube.ply" => bytes, **beside.transform_keys(&:to_s) })
    end
  faces = ->(mesh) { mesh.face_starts.to_a.each_cons(2).map { |start, stop| mesh.corner_vertices[start...stop].to_a } }

  # The cube of Turk, "The PLY Polygon File Format", 1994, without its comments.
  cube = <<~PLY
    ply
    format ascii 1.0
    element vertex 8
    property float x
    property float y
    property float z
    element face 6
    property list uchar int vertex_index
    end_header
    0 0 0
    0 0 1
    0 1 1
    0 1 0
    1 0 0
    1 0 1
    1 1 1
    1 1 0
    4 0 1 2 3
    4 7 6 5 4
    4 0 4 5 1
    4 1 5 6 2
    4 2 6 7 3
    4 3 7 4 0
  PLY

  # The same numbers in binary, by a reading of the head alone.
  binary =
    lambda do |text, order|
      head, body = text.split("end_header\n")
      numbers = body.lines.map(&:split)
      float, int = order == "little" ? %w[e l<] : %w[g l>]
      packed =
        numbers.map do |row|
          if row.size == 3
            row.map(&:to_f).pack("#{float}3")
          else
            [row[0].to_i].pack("C") + row.drop(1).map(&:to_i).pack("#{int}*")
          end
        end
      "#{head.sub("ascii", "binary_#{order}_endian")}end_header\n".b + packed.join.b
    end

  it "reads the cube of the format's description" do
    mesh = read.call(cube).mesh

    assert_equal [8, 6], [mesh.vertex_count, mesh.face_count]
    assert_equal [7, 6, 5, 4], faces.call(mesh)[1]
    assert_equal [[0, 0, 0], [1, 1, 1]], mesh.bounds
  end

  it "reads the same from both binary orders, and from any line ending" do
    expected = read.call(cube).mesh
    [
      binary.call(cube, "little"),
      binary.call(cube, "big"),
      cube.gsub("\n", "\r\n"),
      cube.gsub("\n", "\r")
    ].each do |bytes|
      mesh = read.call(bytes).mesh

      assert_equal [expected.positions, faces.call(expected)], [mesh.positions, faces.call(mesh)]
    end
  end

  it "reads lists of different lengths in binary" do
    mixed = cube.sub("4 3 7 4 0", "3 3 7 4")

    assert_equal [3, 7, 4], faces.call(read.call(binary.call(mixed, "little")).mesh).last
  end

  it "reads UVs by vertex and by corner, and the picture's name" do
    by_vertex =
      "ply\nformat ascii 1.0\ncomment TextureFile skin.png\nelement vertex 3\nproperty float x\nproperty float " \
        "y\nproperty float z\n" \
        "property float s\nproperty float t\n" \
        "element face 1\nproperty list uchar int vertex_indices\nend_header\n0 0 0 0.1 0.2\n1 0 0 0.9 0.2\n0 1 0 0.1 " \
        "0.8\n3 0 1 2\n"
    reading = read.call(by_vertex, "skin.png": "png")

    assert_equal [[0.1, 0.2], [0.9, 0.2], [0.1, 0.8]], reading.uvs[reading.corner_uvs, true].to_a
    assert_equal "skin.png", reading.mesh.materials[0].image
    by_corner =
      cube
        .sub("vertex_index\n", "vertex_index\nproperty list uchar float texcoord\n")
        .lines
        .map { |line| line.start_with?("4 ") ? "#{line.chomp} 8 0 0 1 0 1 1 0 1\n" : line }
        .join
        .sub("8 0 0 1 0 1 1 0 1\n", "0\n")
    reading = read.call(by_corner)

    assert_equal [0, 1, 1, 1, 1, 1], reading.face_mapped.to_a
    assert_equal [[0, 0], [1, 0], [1, 1], [0, 1]], reading.uvs[reading.corner_uvs[4..7], true].to_a
  end

  it "tells what it leaves out" do
    colored =
      cube
        .sub("property float z\n", "property float z\nproperty uchar red\n")
        .lines
        .map { |line| line.match?(/^[01] [01] [01]$/) ? "#{line.chomp} 200\n" : line }
        .join

    assert_equal ["cube.ply: red of vertex are left out"], read.call(colored).notes.map(&:message)
  end

  {
    "an index out of range" => [cube.sub("4 3 7 4 0", "4 3 7 4 8"), /Vertex 8 does not exist; the file has 8/],
    "a file that is cut off" => [cube.lines[0...-2].join, /ends within face 4 of 6/],
    "a word for a number" => [cube.sub("0 0 1\n", "0 0 one\n"), /Vertex 1: "one" is not a number/],
    "infinity" => [cube.sub("0 0 1\n", "0 0 Infinity\n"), /is not a number|not a finite number/],
    "a type that is not known" => [cube.sub("property float x", "property quad x"), /Line 4: type "quad" is not known/],
    "no end of the head" => ["ply\nformat ascii 1.0\n", /does not end with end_header/],
    "no faces" => [cube.sub("element face 6", "element face 0"), /has no faces/],
    "no vertices" => [cube.sub("element vertex 8", "element point 8"), /It has no vertices/]
  }.each do |what, (bytes, message)|
    it "refuses #{what}, naming the file" do
      error = assert_refused(SheetTrace::FormatError, { file: "cube.ply" }) { read.call(bytes) }

      assert_match message, error.message
    end
  end

  it "refuses ten million vertices before reading them" do
    assert_refused(SheetTrace::LimitError, { got: 10_000_000 }) do
      read.call(cube.sub("element vertex 8", "element vertex 10000000"))
    end
  end

  it "refuses a binary file that ends too soon" do
    assert_refused(SheetTrace::FormatError, message: /cut off/) { read.call(binary.call(cube, "big").byteslice(0..-9)) }
  end
end
