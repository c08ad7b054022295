# frozen_string_literal: true

require_relative "../../../../test_helper"
require_relative "../../../../gltf_files"

# Sections are those of Khronos, "glTF 2.0 Specification".
describe SheetTrace::Formats::Gltf::Reader do
  read =
    lambda do |file, name: "plate.gltf", **beside|
      SheetTrace::Formats.read_files({ name => file.to_s, **beside.transform_keys(&:to_s) })
    end
  triangles =
    lambda do |reading|
      reading
        .mesh
        .corner_vertices
        .to_a
        .each_slice(3)
        .map { |corners| corners.map { |vertex| reading.mesh.positions[vertex, true].to_a } }
    end

  # "A minimal glTF file" of Khronos' glTF tutorial (values from memory): three indices 0 1 2, and the
  # triangle (0,0,0) (1,0,0) (0,1,0).
  it "reads the tutorial's minimal file" do
    json = {
      scene: 0,
      scenes: [{ nodes: [0] }],
      nodes: [{ mesh: 0 }],
      meshes: [{ primitives: [{ attributes: { POSITION: 1 }, indices: 0 }] }],
      buffers: [
        {
          uri: "data:application/octet-stream;base64,AAABAAIAAAAAAAAAAAAAAAAAAAAAAIA/AAAAAAAAAAAAAAAAAACAPwAAAAA=",
          byteLength: 44
        }
      ],
      bufferViews: [
        { buffer: 0, byteOffset: 0, byteLength: 6, target: 34_963 },
        { buffer: 0, byteOffset: 8, byteLength: 36, target: 34_962 }
      ],
      accessors: [
        { bufferView: 0, byteOffset: 0, componentType: 5123, count: 3, type: "SCALAR", max: [2], min: [0] },
        {
          bufferView: 1,
          byteOffset: 0,
          componentType: 5126,
          count: 3,
          type: "VEC3",
          max: [1.0, 1.0, 0.0],
          min: [0.0, 0.0, 0.0]
        }
      ],
      asset: {
        version: "2.0"
      }
    }

    assert_equal [[[0, 0, 0], [1, 0, 0], [0, 1, 0]]], triangles.call(read.call(JSON.generate(json)))
  end

  # 3.4: metres, +Y up. 3.6.2.2 with figure: TEXCOORD (0, 0) is the upper left corner of the image.
  it "takes metres, y up, and turns v to point up" do
    reading = read.call(GltfFile.square)

    assert_equal [1000.0, "y"], [reading.unit_mm, reading.up_axis]
    assert_equal [[0.0, 0.0], [1.0, 0.0], [1.0, 1.0]], reading.uvs[reading.corner_uvs[0...3], true].to_a
  end

  # 3.7.2.1: strips p_i = {v_i, v_(i+(1+i%2)), v_(i+(2-i%2))}; fans p_i = {v_(i+1), v_(i+2), v_0}.
  it "unrolls strips and fans, indexed or not" do
    strip = triangles.call(read.call(GltfFile.square(mode: 5, indices: [0, 1, 3, 2])))
    fan = triangles.call(read.call(GltfFile.square(mode: 6, indices: nil)))

    assert_equal [[[0, 0, 0], [1, 0, 0], [0, 1, 0]], [[1, 0, 0], [1, 1, 0], [0, 1, 0]]], strip
    assert_equal [[[1, 0, 0], [1, 1, 0], [0, 0, 0]], [[1, 1, 0], [0, 1, 0], [0, 0, 0]]], fan
  end

  it "reads interleaved attributes" do
    file = GltfFile.new
    rows = [[0, 0, 0, 0.25, 1], [1, 0, 0, 1, 1], [0, 1, 0, 0, 0]]
    view = file.view(rows.flatten.pack("e*"), byteStride: 20)
    file.primitive(
      {
        POSITION: file.accessor(view, 3, "VEC3", 5126),
        TEXCOORD_0: file.accessor(view, 3, "VEC2", 5126, byteOffset: 12)
      }
    )
    reading = read.call(file)

    assert_equal [[[0, 0, 0], [1, 0, 0], [0, 1, 0]]], triangles.call(reading)
    assert_equal [[0.25, 0.0], [1.0, 0.0], [0.0, 1.0]], reading.uvs[reading.corner_uvs, true].to_a
  end

  # 3.11: unsigned bytes f = c / 255, shorts f = c / 65535.
  it "reads normalised integers" do
    file = GltfFile.new
    bytes =
      file.accessor(file.view([0, 255, 255, 51, 51, 0].pack("C*"), byteStride: nil), 3, "VEC2", 5121, normalized: true)
    file.json[:bufferViews].last.delete(:byteStride)
    file.primitive({ POSITION: file.floats([[0, 0, 0], [1, 0, 0], [0, 1, 0]]), TEXCOORD_0: bytes })
    reading = read.call(file)

    [[0.0, 0.0], [1.0, 0.8], [0.2, 1.0]].flatten
      .zip(reading.uvs[reading.corner_uvs, true].to_a.flatten) { |expected, got| assert_in_delta expected, got, 1e-7 }
  end

  # 3.6.2.3: values of a sparse accessor replace those of its base at the indices given.
  it "reads sparse accessors" do
    file = GltfFile.square
    file.json[:accessors][0][:sparse] = {
      count: 1,
      indices: {
        bufferView: file.view([2].pack("S<")),
        componentType: 5123
      },
      values: {
        bufferView: file.view([9, 9, 0].pack("e*"))
      }
    }

    assert_includes triangles.call(read.call(file)).flatten(1), [9, 9, 0]
  end

  # 3.5.2: a node's matrix is its parent's times its own; M = T R S.
  it "places nodes by their parents' transforms, and keeps outsides out where a node mirrors" do
    file = GltfFile.square
    file.json[:nodes] = [
      { children: [1], translation: [10, 0, 0], scale: [2, 2, 2] },
      { mesh: 0, rotation: [0, 0, Math.sqrt(0.5), Math.sqrt(0.5)] },
      { mesh: 0, matrix: [-1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1], name: "Mirrored" }
    ]
    file.json[:scenes][0][:nodes] = [0, 2]
    mesh = read.call(file).mesh

    # turned by 90 degrees: x from 8 to 10
    mesh.bounds.flatten.zip([-1, 0, 0, 10, 2, 0]) { |got, expected| assert_in_delta expected, got, 1e-6 }
    assert_predicate mesh.face_area_vectors[true, 2].gt(0), :all?
    assert_equal ["Mesh 1", "Mirrored"], mesh.parts
  end

  # Extension KHR_texture_transform: offset, rotation counter-clockwise (to the eye, v down), scale. A quarter turn
  # takes (1, 0) to (0, -1).
  it "applies a texture's transform to the set it is looked up by" do
    file = GltfFile.square(uvs: [[1, 0], [0, 1], [0, 0], [1, 1]])
    file.json[:materials] = [
      {
        pbrMetallicRoughness: {
          baseColorTexture: {
            index: 0,
            extensions: {
              KHR_texture_transform: {
                offset: [0.5, 0],
                rotation: Math::PI / 2,
                scale: [2, 1]
              }
            }
          }
        }
      }
    ]
    file.json[:textures] = [{ source: 0 }]
    file.json[:images] = [{ uri: "data:image/png;base64,AAAA" }]
    file.json[:meshes][0][:primitives][0][:material] = 0
    uvs = read.call(file).then { |reading| reading.uvs[reading.corner_uvs[0...3], true].to_a }

    # (1, 0) scaled to (2, 0), turned to (0, -2), moved to (0.5, -2); v up: 3.
    [[0.5, 3.0], [1.5, 1.0], [0.5, 1.0]].flatten
      .zip(uvs.flatten) { |expected, got| assert_in_delta expected, got, 1e-6 }
  end

  it "brings colours, several sets and embedded pictures along" do
    file = GltfFile.square
    file.json[:meshes][0][:primitives][0][:attributes][:TEXCOORD_1] = file.floats(
      [[0, 0], [0.5, 0], [0.5, 0.5], [0, 0.5]]
    )
    file.json[:materials] = [
      {
        name: "Tin",
        pbrMetallicRoughness: {
          baseColorFactor: [0.214041140482, 1, 0, 0.5],
          baseColorTexture: {
            index: 0
          }
        }
      }
    ]
    file.json[:textures] = [{ source: 0 }]
    png = "\x89PNG\r\n\x1a\n".b
    file.json[:images] = [{ bufferView: file.view(png), mimeType: "image/png", name: "skin" }]
    file.json[:meshes][0][:primitives][0][:material] = 0
    reading = read.call(file)

    assert_equal ["TEXCOORD 0", "TEXCOORD 1"], reading.uv_sets.map(&:name)
    # IEC 61966-2-1: 0.214041 in linear light is 0.5 in sRGB.
    reading.mesh.materials[0].color.zip([0.5, 1, 0, 0.5]) { |got, expected| assert_in_delta expected, got, 1e-4 }
    assert_equal({ "skin.png" => png }, reading.images)
  end

  it "joins vertices that were split only for their normals" do
    file = GltfFile.new
    corners = [[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 0, 0], [1, 1, 0], [0, 1, 0]]
    file.primitive({ POSITION: file.floats(corners), TEXCOORD_0: file.floats(corners.map { |x, y, _z| [x, 1 - y] }) })
    mesh = read.call(file).mesh

    assert_equal 4, mesh.vertex_count
    assert_equal 1, SheetTrace::Job.start(read.call(file), source_name: "x").layout.uv_map.island_count
  end

  it "finds buffers beside the file, blanks in their names and all" do
    file = GltfFile.square
    bytes = JSON.parse(file.to_s)["buffers"][0]["uri"].split(",").last.unpack1("m0")
    json = JSON.parse(file.to_s).tap { |root| root["buffers"][0]["uri"] = "data/my%20plate.bin" }

    assert_equal 2,
                 SheetTrace::Formats
                   .read_files({ "plate.gltf" => JSON.generate(json), "my plate.bin" => bytes })
                   .mesh
                   .face_count
    assert_refused(SheetTrace::FormatError, { path: "buffers/0" }, message: /my%20plate\.bin was not brought along/) do
      read.call(JSON.generate(json))
    end
    json["buffers"][0]["uri"] = "../../etc/passwd"

    assert_refused(SheetTrace::FormatError, message: /was not brought along/) { read.call(JSON.generate(json)) }
  end

  it "refuses compressed meshes by name" do
    file = GltfFile.square.tap { |square| square.json[:extensionsRequired] = ["KHR_draco_mesh_compression"] }

    assert_refused(SheetTrace::UnsupportedFeatureError, { extension: "KHR_draco_mesh_compression" }) { read.call(file) }
    file =
      GltfFile.square.tap do |square|
        square.json[:meshes][0][:primitives][0][:extensions] = { EXT_meshopt_compression: {} }
      end

    assert_refused(SheetTrace::UnsupportedFeatureError, message: /EXT_meshopt_compression/) { read.call(file) }
  end

  # What each faulty file says, and the place it names.
  {
    "a node below itself" => [
      ->(json) { json[:nodes] = [{ children: [1] }, { children: [0] }] },
      "nodes/0",
      /below itself/
    ],
    "an index out of range" => [
      ->(json) { json[:nodes][0][:mesh] = 7 },
      "nodes/0",
      /meshes 7 does not exist; there are 1/
    ],
    "a view past its buffer" => [
      ->(json) { json[:bufferViews][0][:byteLength] = 10**6 },
      "bufferViews/0",
      /lie outside its buffer/
    ],
    "an accessor past its view" => [
      ->(json) { json[:accessors][0][:count] = 400 },
      "accessors/0",
      /its 400 elements need 4800 bytes/
    ],
    "a wrong type" => [->(json) { json[:nodes] = 5 }, "nodes", /a list belongs here/],
    "glTF 1" => [->(json) { json[:asset][:version] = "1.0" }, "asset/version", /glTF 1.0; version 2 is read/],
    "ten million vertices" => [->(json) { json[:accessors][0][:count] = 30_000_000 }, nil, /at most 4000000 are taken/]
  }.each do |what, (spoil, path, message)|
    it "names the place of #{what}" do
      file = GltfFile.square
      spoil.call(file.json)
      error = assert_raises(SheetTrace::FormatError, SheetTrace::LimitError) { read.call(file) }

      assert_match message, error.message
      assert_equal path, error.where[:path] if path
    end
  end

  it "says what a GLB lacks" do
    {
      ["glTF", 2, 20, 0, 0x4E4F534A].pack("a4 V4") => /This is not JSON/,
      ["glTF", 2, 500].pack("a4 V2") => /cut off: 500 bytes announced, 12 there/,
      ["glTF", 1, 12].pack("a4 V2") => /GLB version 1/
    }.each do |bytes, message|
      assert_refused(SheetTrace::FormatError, { file: "a.glb" }, message: message) { read.call(bytes, name: "a.glb") }
    end
  end
end
