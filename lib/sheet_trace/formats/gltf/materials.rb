# frozen_string_literal: true

module SheetTrace
  module Formats
    module Gltf
      # Base colours of materials, their pictures, and how a picture's UVs are changed before it is looked up.
      # Source: Khronos, "glTF 2.0 Specification", 3.9 (materials); extension KHR_texture_transform.
      class Materials
        # @return [Array<Mesh::Material>] the last one, "Plain", is for primitives that name none
        attr_reader :list
        # @return [Hash{String => String}] file name => bytes
        attr_reader :images

        # @param document [Document]
        # @param notes [Array<Note>] is added to
        def initialize(document, notes)
          @document = document
          @notes = notes
          @images = {}
          @textures =
            document
              .list("materials")
              .each_with_index
              .map do |material, i|
                document.object(
                  document.object(material, "pbrMetallicRoughness", "materials/#{i}"),
                  "baseColorTexture",
                  "materials/#{i}"
                )
              end
          @list =
            document.list("materials").each_with_index.map { |material, i| read(material, i) } +
              [Mesh::Material.new(name: "Plain")]
        end

        def plain = @list.size - 1

        # @param material [Integer]
        # @return [Integer] number of the TEXCOORD set that the material's picture is looked up by
        def texcoord(material)
          texture = @textures[material] || {}
          @document.integer(transform(texture), "texCoord", "materials/#{material}", default: nil) ||
            @document.integer(texture, "texCoord", "materials/#{material}", default: 0)
        end

        # The set's UVs as the material's picture is looked up, in glTF's own direction (v down).
        #
        # @param uvs [Numo::DFloat] n x 2
        # @return [Numo::DFloat] n x 2
        def transformed(uvs, material)
          change = transform(@textures[material] || {})
          return uvs if change.empty? || uvs.empty?

          path = "materials/#{material}"
          offset = @document.numbers(change, "offset", path, 2) || [0, 0]
          scale = @document.numbers(change, "scale", path, 2) || [1, 1]
          turn = @document.number(change, "rotation", path, default: 0)
          # translation * rotation * scale, the rotation being [[cos, sin], [-sin, cos]] (extension's README).
          Geometry::Affine
            .new(1.0, 0.0, offset[0], 0.0, 1.0, offset[1])
            .then { |move| move * Geometry::Affine.turn(-turn) * Geometry::Affine.scale(*scale) }
            .apply(uvs)
        end

        private

        def transform(texture)
          @document.object(@document.object(texture, "extensions", "materials"), "KHR_texture_transform", "materials")
        end

        def read(material, i)
          path = "materials/#{i}"
          linear =
            @document.numbers(@document.object(material, "pbrMetallicRoughness", path), "baseColorFactor", path, 4)
          color =
            linear && (linear.first(3).map { |share| encode(share.clamp(0.0, 1.0)) } + [linear[3].clamp(0.0, 1.0)])
          Mesh::Material.new(
            name: @document.label(material, "Material #{i + 1}"),
            color: color,
            image: picture(@textures[i], path)
          )
        end

        def picture(texture, path)
          index = @document.integer(texture, "index", path) or return
          source = @document.integer(@document.entry("textures", index, path), "source", "textures/#{index}")
          return note("picture_not_read", path, "its texture has no picture of a kind that is read here") unless source

          name, bytes = @document.image(source, "textures/#{index}")
          return note("picture_not_found", path, "its picture was not brought along") unless bytes

          @images[name] = bytes
          name
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
          nil
        end

        # IEC 61966-2-1: linear light to sRGB.
        def encode(share) = share <= 0.0031308 ? share * 12.92 : (1.055 * (share**(1 / 2.4))) - 0.055
      end
    end
  end
end
