# frozen_string_literal: true

require "uri"

module SheetTrace
  module Formats
    module Gltf
      # Writes GLB: a node for each part, and a mesh for each that is not another one once more; a primitive for each
      # material in it, triangles with normals, colours of vertices and all UV sets, base colours with PNG and JPEG
      # pictures inside the file. Lengths in metres, v down. `Apart` writes the same as .gltf with its binary and
      # pictures beside it.
      # Leaves out: polygons (cut into triangles), pictures of other kinds, parts without faces.
      # Source: Khronos, "glTF 2.0 Specification", 3 and 4 (GLB).
      class Writer
        MIME_TYPES = { "\x89PNG".b => "image/png", "\xFF\xD8\xFF".b => "image/jpeg" }.freeze
        ARRAY_BUFFER = 34_962
        ELEMENT_BUFFER = 34_963
        FLOAT = 5126
        UNSIGNED_INT = 5125
        private_constant :MIME_TYPES, :ARRAY_BUFFER, :ELEMENT_BUFFER, :FLOAT, :UNSIGNED_INT

        # @param model [Model]
        # @param base_name [String] of the file NAME.glb
        # @return [Written]
        def self.call(model, base_name:) = new(model, apart: false).send(:written, base_name)

        # .gltf, .bin and pictures.
        module Apart
          # @return [Written]
          def self.call(model, base_name:) = Writer.send(:new, model, apart: true).send(:written, base_name)
        end

        def initialize(model, apart:)
          @apart = apart
          @beside = {}
          @model = model
          @mesh = model.mesh
          @sets = model.used_sets
          @binary = +"".b
          @views = []
          @accessors = []
          @notes = []
        end
        private_class_method :new

        private

        def written(base_name)
          if @mesh.face_sizes.ne(3).any?
            @notes << Written.left_out(
              "polygons_cut",
              "glTF holds triangles only: polygons were cut into #{@mesh.triangulation.count} triangles"
            )
          end
          Written.new(files: @apart ? files(base_name) : { "#{base_name}.glb" => container(document) }, notes: @notes)
        end

        def files(base_name)
          said = document
          said[:buffers] = [{ uri: "#{base_name}.bin", byteLength: @binary.bytesize }]
          { "#{base_name}.gltf" => JSON.pretty_generate(said), "#{base_name}.bin" => @binary, **@beside }
        end

        def document
          filled = @mesh.parts.each_index.select { |part| @mesh.face_parts.eq(part).any? }
          if filled.size < @mesh.parts.size
            @notes << Written.left_out("empty_parts_left_out", "parts without faces were left out")
          end
          repeated = Instances.call(@model)
          written = filled - repeated.keys
          meshes = written.map { |part| { name: @mesh.parts[part], primitives: primitives(part) } }
          {
            asset: {
              version: "2.0",
              generator: "Sheet Trace"
            },
            scene: 0,
            scenes: [{ nodes: (0...filled.size).to_a }],
            nodes: filled.map { |part| node(part, written, *repeated[part]) },
            meshes: meshes,
            **materials,
            accessors: @accessors,
            bufferViews: @views,
            buffers: [{ byteLength: padded(@binary, "\0").bytesize }]
          }
        end

        # @param leader [Integer, nil] the part that this one repeats; onto [Numo::DFloat] 4 x 4, from there
        def node(part, written, leader = nil, onto = nil)
          return { name: @mesh.parts[part], mesh: written.index(part) } unless leader

          metres = onto.copy.tap { |matrix| matrix[0..2, 3] *= @model.unit_mm / 1000 }
          { name: @mesh.parts[part], mesh: written.index(leader), matrix: metres.transpose.flatten.to_a }
        end

        def primitives(part)
          cut = @mesh.triangulation
          rows = @mesh.face_parts[cut.faces].eq(part)
          materials = @mesh.face_materials[cut.faces]
          materials[rows.where].to_a.uniq.flat_map do |material|
            triangles = cut.corners[(rows & materials.eq(material)).where, true]
            mapping(triangles).map { |sets, some| primitive(some.flatten, material, sets) }
          end
        end

        # Triangles by the sets that they have UVs in, as all vertices of a primitive have the same attributes.
        def mapping(triangles)
          faces = @mesh.corner_faces[triangles[true, 0]]
          keys =
            @sets
              .each_with_index
              .reduce(Numo::Int64.zeros(faces.size)) do |sum, (set, i)|
                sum + (Numo::Int64.cast(set.face_mapped[faces]) << i)
              end
          keys.to_a.uniq.map do |key|
            [@sets.each_index.select { |i| key[i] == 1 }.map { |i| @sets[i] }, triangles[keys.eq(key).where, true]]
          end
        end

        def primitive(corners, material, sets)
          columns = { "POSITION" => @mesh.positions[@mesh.corner_vertices[corners], true] * (@model.unit_mm / 1000) }
          columns["NORMAL"] = normals(corners) if @mesh.corner_normals
          columns["COLOR_0"] = colors(corners) if @mesh.corner_colors
          sets.each_with_index do |set, i|
            uvs = set.uvs[set.corner_uvs[corners], true].copy
            uvs[true, 1] = 1 - uvs[true, 1]
            columns["TEXCOORD_#{i}"] = uvs
          end
          floats = columns.transform_values { |values| Numo::SFloat.cast(values) }
          ranks, count = distinct(floats.values)
          first = Geometry::Grouped.representatives(ranks, count)
          {
            attributes:
              floats.to_h do |name, values|
                [name, accessor(values[first, true], FLOAT, ARRAY_BUFFER, bounds: name == "POSITION")]
              end,
            indices: accessor(Numo::UInt32.cast(ranks).reshape(ranks.size, 1), UNSIGNED_INT, ELEMENT_BUFFER),
            material: material,
            mode: 4
          }
        end

        # Faces without area have no normal; any unit vector is valid there.
        def normals(corners)
          own = @mesh.corner_normals[corners, true].copy
          lost = (Geometry::Vectors.lengths(own) < 0.5).where
          own[lost, true] = Numo::DFloat[[0, 1, 0]] unless lost.empty?
          own
        end

        # As light (3.7.2.1, COLOR_n).
        def colors(corners)
          own = @mesh.corner_colors[corners, true].copy
          own.tap { own[true, 0..2] = Artwork::LinearLight.shares_of_srgb(own[true, 0..2]) }
        end

        def distinct(tables)
          tables
            .flat_map { |table| Array.new(table.shape[1]) { |axis| table[true, axis].copy } }
            .reduce(nil) do |so_far, column|
              ranked = Geometry::Grouped.ranks(column)
              so_far ? Geometry::Grouped.pair_ranks(so_far[0], *ranked) : ranked
            end
        end

        def accessor(values, type, target, bounds: false)
          @views << { buffer: 0, byteOffset: @binary.bytesize, byteLength: values.byte_size, target: target }
          @binary << values.to_binary
          entry = {
            bufferView: @views.size - 1,
            componentType: type,
            count: values.shape[0],
            type: { 1 => "SCALAR", 2 => "VEC2", 3 => "VEC3", 4 => "VEC4" }.fetch(values.shape[1])
          }
          entry.merge!(min: values.min(axis: 0).to_a, max: values.max(axis: 0).to_a) if bounds
          @accessors << entry
          @accessors.size - 1
        end

        def materials
          colors = @mesh.materials.map(&:image).compact.uniq
          files = colors.flat_map { |name| [name, @model.reliefs.dig(name, :normals)] }.compact
          images = files.filter_map { |name| image(name) }
          names = images.map { |image| image[:name] }
          texture = ->(name) { name && names.index(File.basename(name, ".*")) }
          list =
            @mesh.materials.map do |material|
              normals = texture.call(@model.reliefs.dig(material.image, :normals))
              material_json(material, texture.call(material.image)).merge(
                normals ? { normalTexture: { index: normals } } : {}
              )
            end
          return { materials: list } if images.empty?

          {
            materials: list,
            textures: images.each_index.map { |i| { source: i, sampler: 0 } },
            samplers: [{ wrapS: 10_497, wrapT: 10_497 }],
            images: images
          }
        end

        def image(name)
          bytes = @model.images[name]
          type = bytes && MIME_TYPES.find { |start, _type| bytes.b.start_with?(start) }&.last
          unless type
            @notes << Written.left_out("picture_left_out", "glTF holds PNG and JPEG; #{name} was left out")
            return
          end
          return beside(name, bytes) if @apart

          @binary << ("\0" * (-@binary.bytesize % 4))
          @views << { buffer: 0, byteOffset: @binary.bytesize, byteLength: bytes.bytesize }
          @binary << bytes.b << ("\0" * (-bytes.bytesize % 4))
          { name: File.basename(name, ".*"), mimeType: type, bufferView: @views.size - 1 }
        end

        # RFC 3986, 2.1: what a path may not hold is escaped.
        def beside(name, bytes)
          @beside[name] = bytes
          { name: File.basename(name, ".*"), uri: URI.encode_www_form_component(name).gsub("+", "%20") }
        end

        def material_json(material, texture)
          pbr = { metallicFactor: 0, roughnessFactor: 1 }
          if material.color
            pbr[:baseColorFactor] = [*material.color.first(3).map { |share| decode(share) }, material.color[3]]
          end
          pbr[:baseColorTexture] = { index: texture } if texture
          { name: material.name, pbrMetallicRoughness: pbr, **alpha_mode(material) }
        end

        # glTF 2.0, 3.9.4 Alpha coverage.
        def alpha_mode(material)
          alpha = @model.alphas[material.image]
          return { alphaMode: "BLEND" } if alpha == "blend" || (material.color && material.color[3] < 1)

          alpha == "mask" ? { alphaMode: "MASK", alphaCutoff: 0.5 } : {}
        end

        # IEC 61966-2-1: sRGB to linear light.
        def decode(share) = share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055)**2.4

        def container(document)
          json = padded(JSON.generate(document).b, " ")
          binary = padded(@binary, "\0")
          body = [json.bytesize, 0x4E4F534A].pack("V2") + json + [binary.bytesize, 0x004E4942].pack("V2") + binary
          ["glTF", 2, 12 + body.bytesize].pack("a4 V2") + body
        end

        def padded(bytes, filler) = bytes + (filler * (-bytes.bytesize % 4))
      end
    end
  end
end
