# frozen_string_literal: true

# Small glTF files made by hand, with their numbers in one embedded buffer.
class GltfFile
  # @return [Hash] the document, to be changed at will
  attr_reader :json

  def initialize
    @bytes = +"".b
    @json = {
      asset: {
        version: "2.0"
      },
      scene: 0,
      scenes: [{ nodes: [0] }],
      nodes: [{ mesh: 0, name: "Plate" }],
      meshes: [{ primitives: [] }],
      accessors: [],
      bufferViews: [],
      buffers: [{}]
    }
  end

  # @return [Integer] index of a new view of raw bytes
  def view(bytes, **more)
    @bytes << ("\0" * (-@bytes.bytesize % 4))
    json[:bufferViews] << { buffer: 0, byteOffset: @bytes.bytesize, byteLength: bytes.bytesize, **more }
    @bytes << bytes
    json[:bufferViews].size - 1
  end

  # @return [Integer] index of a new accessor of floats
  def floats(rows, **more) = accessor(view(rows.flatten.pack("e*")), rows.size, "VEC#{rows.first.size}", 5126, **more)

  # @return [Integer] index of a new accessor of 16 bit indices
  def indices(list) = accessor(view(list.pack("S<*")), list.size, "SCALAR", 5123)

  def accessor(view, count, type, kind, **more)
    json[:accessors] << { bufferView: view, count: count, type: type, componentType: kind, **more }
    json[:accessors].size - 1
  end

  def primitive(attributes, **more) = json[:meshes][0][:primitives] << { attributes: attributes, **more }

  def to_s
    json[:buffers][0] = {
      byteLength: @bytes.bytesize,
      uri: "data:application/octet-stream;base64,#{[@bytes].pack("m0")}"
    }
    JSON.generate(json)
  end

  # A square of two triangles: x and y from 0 to 1.
  def self.square(mode: nil, indices: [0, 1, 2, 0, 2, 3], uvs: [[0, 1], [1, 1], [1, 0], [0, 0]])
    new.tap do |file|
      attributes = { POSITION: file.floats([[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0]]) }
      attributes[:TEXCOORD_0] = file.floats(uvs) if uvs
      file.primitive(attributes, **{ mode: mode, indices: indices && file.indices(indices) }.compact)
    end
  end
end
