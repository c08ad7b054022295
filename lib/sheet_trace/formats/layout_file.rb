# frozen_string_literal: true

require "json"

module SheetTrace
  module Formats
    # A layout by itself, without model and art: a JSON document with the sheet's size, the UVs of all corners of
    # faces, and which face
    # lies on which island. Arrays are base64 of little-endian numbers. It fits the model that it was saved from, and
    # others whose faces have
    # the same vertices.
    module LayoutFile
      FORMAT = "sheet-trace-layout"
      VERSION = 1
      private_constant :FORMAT, :VERSION

      # sheet [Layout::Sheet]; corner_uvs [Numo::DFloat] C x 2; face_mapped [Numo::Bit] F; face_islands [Numo::Int32] F
      Saved = Struct.new(:sheet, :corner_uvs, :face_mapped, :face_islands, keyword_init: true)

      # @param layout [Layout]
      # @return [String]
      def self.write(layout)
        map = layout.uv_map
        JSON.pretty_generate(
          format: FORMAT,
          version: VERSION,
          sheet: layout.sheet.to_h,
          faces: map.mesh.face_count,
          model: model(map.mesh),
          corner_uvs: pack(layout.corner_uvs),
          face_mapped: pack(Numo::UInt8.cast(map.face_mapped)),
          face_islands: pack(Numo::Int32.cast(map.face_islands))
        )
      end

      # @param text [String]
      # @param mesh [Mesh] that it is for
      # @return [Saved]
      # @raise [FormatError] if it is no such file, or of another model; where: { name: }
      def self.read(text, mesh)
        document = JSON.parse(text, symbolize_names: true)
        unless document.is_a?(Hash) && document[:format] == FORMAT
          refuse("this is no layout file: it does not say \"format\": #{FORMAT.inspect}")
        end
        unless document[:version] == VERSION
          refuse("this layout file is of version #{document[:version].inspect}; version #{VERSION} is read")
        end
        return saved(document, mesh) if document[:model] == model(mesh)

        refuse(
          "this layout is of another model: #{document[:faces].inspect} faces, here #{mesh.face_count}; open the " \
            "model that it was saved from"
        )
      rescue JSON::ParserError, KeyError, TypeError, ArgumentError => e
        refuse("the layout file is damaged: #{e.message.lines.first.to_s.strip.slice(0, 80)}")
      end

      def self.saved(document, mesh)
        mapped = unpack(document, :face_mapped, Numo::UInt8, [mesh.face_count]).eq(1)
        uvs = unpack(document, :corner_uvs, Numo::DFloat, [mesh.corner_count, 2])
        refuse("the layout file is damaged: some UV is not a number") unless uvs.isfinite.all?

        Saved.new(
          sheet: Layout::Sheet.new(**document.fetch(:sheet).slice(:width_px, :height_px)),
          corner_uvs: uvs,
          face_mapped: mapped,
          face_islands: unpack(document, :face_islands, Numo::Int32, [mesh.face_count])
        )
      end

      def self.model(mesh) = Digest::SHA256.hexdigest(Numo::Int32.cast(mesh.corner_vertices).to_binary)

      def self.pack(array) = [array.to_binary].pack("m0")

      def self.unpack(document, name, type, shape)
        bytes = document.fetch(name).unpack1("m0")
        unless bytes.bytesize == shape.reduce(:*) * type::ELEMENT_BYTE_SIZE
          refuse("the layout file is damaged: #{name} has #{bytes.bytesize} bytes")
        end

        type.from_binary(bytes, shape)
      end

      def self.refuse(message) = raise(FormatError.new(message, where: { name: "layout file" }))
      private_class_method :saved, :model, :pack, :unpack, :refuse
    end
  end
end
