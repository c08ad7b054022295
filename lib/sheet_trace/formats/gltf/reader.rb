# frozen_string_literal: true

module SheetTrace
  module Formats
    module Gltf
      # Reads glTF 2.0, .gltf with its buffers beside it or inside it, and .glb: the scene that is shown, with node
      # transforms, triangles, strips and fans, normals, all TEXCOORD sets, base colours and their pictures.
      # v is turned to point up. Each node with a mesh is a part; vertices that lie in the same place become one, as
      # glTF
      # splits them where UVs or normals part. Left out, with a note: points and lines, further colours, morph
      # targets, skins (the bind pose is read). Refused by name: compressed meshes.
      # Source: Khronos, "glTF 2.0 Specification".
      class Reader
        KNOWN = %w[KHR_texture_transform KHR_mesh_quantization KHR_materials_unlit].freeze
        COMPRESSED = %w[KHR_draco_mesh_compression EXT_meshopt_compression KHR_meshopt_compression].freeze
        LOOKS = /\AKHR_materials_|\AKHR_lights_|\AKHR_texture_basisu\z|\AEXT_texture_webp\z/
        UNIT_MM = 1000.0 # "The units for all linear distances are meters" (3.4)
        MODES = { 4 => :triangles, 5 => :strip, 6 => :fan }.freeze
        private_constant :KNOWN, :COMPRESSED, :LOOKS, :UNIT_MM, :MODES

        # @param bytes [String]
        # @param name [String] for messages
        # @param bundle [Bundle] where buffers and pictures are looked for
        # @return [Reading]
        # @raise [FormatError] where: { file:, path: } or { file:, byte: }
        # @raise [UnsupportedFeatureError] where: { file:, extension: }
        # @raise [LimitError] where: { limit:, got: }
        def self.call(bytes, name:, bundle:) = new(Document.new(bytes, name: name, bundle: bundle)).send(:reading)

        def initialize(document)
          @document = document
          @notes = []
          @accessors = Accessors.new(document)
          @assembly = Assembly.new(document.name, weld: true)
        end
        private_class_method :new

        private

        def reading
          refuse_unknown
          @materials = Materials.new(@document, @notes)
          Nodes.call(@document).each { |node, matrix, path| add_node(node, matrix, path) }
          mesh, sets = @assembly.build(used_materials)
          Reading.new(
            mesh: mesh,
            uv_sets: sets,
            notes: @notes.freeze,
            format: "gltf",
            unit_mm: UNIT_MM,
            up_axis: "y",
            images: @materials.images
          )
        end

        def refuse_unknown
          required = @document.root["extensionsRequired"]
          required = required.is_a?(Array) ? required.grep(String) : []
          lacking = required.find { |extension| !KNOWN.include?(extension) && !extension.match?(LOOKS) }
          unsupported(lacking) if lacking
        end

        def unsupported(extension)
          raise UnsupportedFeatureError.new(
                  "#{@document.name} needs the extension #{extension}, which is not read here; export it without",
                  where: {
                    file: @document.name,
                    extension: extension
                  }
                )
        end

        # Plain only where some face needs it.
        def used_materials
          @plain_used || @materials.list.size == 1 ? @materials.list : @materials.list[0...-1]
        end

        def add_node(node, matrix, path)
          index = @document.integer(node, "mesh", path)
          mesh = @document.entry("meshes", index, path)
          part = @assembly.part(@document.label(node, @document.label(mesh, "Mesh #{index + 1}")))
          if node["skin"]
            note("skin_not_applied", path, "the skin's pose is not applied; the mesh is read as it was bound")
          end
          @document
            .objects(mesh, "primitives", "meshes/#{index}")
            .each_with_index do |primitive, i|
              add_primitive(primitive, part, matrix, "meshes/#{index}/primitives/#{i}")
            end
        end

        def add_primitive(primitive, part, matrix, path)
          COMPRESSED.each do |extension|
            unsupported(extension) if @document.object(primitive, "extensions", path).key?(extension)
          end
          mode = MODES[@document.integer(primitive, "mode", path, default: 4)]
          return note("lines_ignored", path, "points and lines have no surface to paint and are left out") unless mode

          attributes = @document.object(primitive, "attributes", path)
          if primitive.key?("targets")
            note("targets_ignored", path, "morph targets are not kept; the mesh is read at rest")
          end
          unless attributes.key?("POSITION")
            return note("no_positions", path, "the primitive has no positions and is left out")
          end

          positions = @accessors.read(attributes["POSITION"], 3, "#{path}/attributes/POSITION")
          vertices = triangles(primitive, mode, positions.shape[0], path)
          return note("no_faces", path, "the primitive has no triangles and is left out") if vertices.empty?

          add(primitive, attributes, part, matrix, positions, vertices, path)
        end

        def add(primitive, attributes, part, matrix, positions, vertices, path)
          material = material_of(primitive, path)
          normals =
            attributes["NORMAL"] && [columns(attributes["NORMAL"], 3, positions, "#{path}/attributes/NORMAL"), vertices]
          @assembly.add(
            Assembly::Piece.new(
              part: part,
              material: material,
              positions: positions,
              sizes: Numo::Int64.new(vertices.size / 3).fill(3),
              vertices: vertices,
              uvs: uvs(attributes, material, positions, vertices, path),
              normals: normals,
              colors: attributes["COLOR_0"] && [colors(attributes["COLOR_0"], positions, path), vertices],
              matrix: matrix
            )
          )
        end

        def material_of(primitive, path)
          index = @document.integer(primitive, "material", path)
          return index.tap { @document.entry("materials", index, path) } if index

          @plain_used = true
          @materials.plain
        end

        # @return [Numo::Int64] three a triangle
        def triangles(primitive, mode, count, path)
          indices =
            (
              if primitive.key?("indices")
                @accessors.indices(primitive["indices"], count, "#{path}/indices")
              else
                Numo::Int64.new(count).seq
              end
            )
          return indices[0...(indices.size / 3 * 3)] if mode == :triangles && indices.size >= 3
          return Numo::Int64.zeros(0) if indices.size < 3

          unrolled(indices, mode)
        end

        # 3.7.2.1: strips p_i = {v_i, v_(i+(1+i%2)), v_(i+(2-i%2))}; fans p_i = {v_(i+1), v_(i+2), v_0}. Triangles
        # with a
        # vertex twice only join pieces of a strip.
        def unrolled(indices, mode)
          i = Numo::Int64.new(indices.size - 2).seq
          odd = i % 2
          places = mode == :strip ? [i, i + 1 + odd, i + 2 - odd] : [i + 1, i + 2, i * 0]
          a, b, c = places.map { |place| indices[place] }
          kept = (a.ne(b) & b.ne(c) & a.ne(c)).where
          return Numo::Int64.zeros(0) if kept.empty?

          Numo::Int64
            .zeros(kept.size, 3)
            .tap { |rows| [a, b, c].each_with_index { |column, k| rows[true, k] = column[kept] } }
            .flatten
        end

        # The set that the material's picture uses comes as the picture is looked up.
        def uvs(attributes, material, positions, vertices, path)
          sets = attributes.keys.grep(/\ATEXCOORD_\d+\z/).sort_by { |key| key[/\d+/].to_i }
          Limits.validate(@document.name, uvs: sets.size * positions.shape[0])
          sets.to_h do |key|
            values = columns(attributes[key], 2, positions, "#{path}/attributes/#{key}")
            values = @materials.transformed(values, material) if @materials.texcoord(material) == key[/\d+/].to_i
            values = values.copy
            values[true, 1] = 1 - values[true, 1]
            ["TEXCOORD #{key[/\d+/]}", [values, vertices]]
          end
        end

        # Light, with alpha or without (3.7.2.1, COLOR_n).
        #
        # @return [Numo::DFloat] n x 4, sRGB
        def colors(accessor, positions, path)
          own = columns(accessor, @accessors.width(accessor, path), positions, "#{path}/attributes/COLOR_0")
          Numo::DFloat
            .ones(own.shape[0], 4)
            .tap do |colors|
              colors[true, 0..2] = Artwork::LinearLight.shares_to_srgb(own[true, 0..2].clip(0.0, 1.0))
              colors[true, 3] = own[true, 3] if own.shape[1] == 4
            end
        end

        def columns(accessor, width, positions, path)
          values = @accessors.read(accessor, width, path)
          return values if values.shape[0] == positions.shape[0]

          @document.fail_at(path, "it has #{values.shape[0]} elements for #{positions.shape[0]} positions")
        end

        def note(code, path, message)
          @notes << Note.new(
            code: code,
            message: "#{@document.name}, #{path}: #{message}",
            where: {
              file: @document.name,
              path: path
            }
          )
        end
      end
    end
  end
end
