# frozen_string_literal: true

require "msgpack"

module SheetTrace
  class Job
    module Parts
      # The sheet, the surface with its map, and where islands were moved to: SheetTrace::Layout. The surface is one
      # blob, the placements another.
      module Layout
        MESH_ARRAYS = {
          positions: Numo::DFloat,
          face_starts: Numo::Int32,
          corner_vertices: Numo::Int32,
          face_parts: Numo::Int32,
          face_materials: Numo::Int32
        }.freeze
        MAP_ARRAYS = {
          points: Numo::DFloat,
          point_vertices: Numo::Int32,
          point_islands: Numo::Int32,
          corner_points: Numo::Int32,
          face_mapped: Numo::UInt8,
          face_islands: Numo::Int32
        }.freeze
        private_constant :MESH_ARRAYS, :MAP_ARRAYS

        # A job always has one.
        def self.default = nil

        # The surface is packed once for as long as it stays.
        def self.pack(value, packing)
          former = packing.former(:layout)
          surface =
            (
              if former && former.first.uv_map.equal?(value.uv_map)
                former.last[:surface]
              else
                packing.keep(pack_surface(value.uv_map))
              end
            )
          { sheet: value.sheet.to_h, surface: surface, placements: packing.keep(value.placements.to_binary) }
        end

        def self.unpack(plain, unpacking)
          former, packed = unpacking.former(:layout)
          same = packed && packed[:surface] == plain[:surface]
          uv_map = same ? former.uv_map : unpack_surface(unpacking.blob(plain[:surface]))
          placements = Numo::DFloat.from_binary(unpacking.blob(plain[:placements]), [uv_map.island_count, 6])
          SheetTrace::Layout.new(
            uv_map: uv_map,
            sheet: SheetTrace::Layout::Sheet.new(**plain[:sheet]),
            placements: placements
          )
        end

        def self.handed_on(value, carry) = SheetTrace::Layout.new(uv_map: carry.uv_map, sheet: value.sheet)

        def self.pack_surface(map)
          {
            "mesh" => PackedArrays.pack(map.mesh, MESH_ARRAYS),
            "map" => PackedArrays.pack(map, MAP_ARRAYS),
            "parts" => map.mesh.parts,
            "materials" => map.mesh.materials.map(&:to_a),
            "normals" => map.mesh.corner_normals && PackedArrays.array(map.mesh.corner_normals),
            "colors" => map.mesh.corner_colors && PackedArrays.array(map.mesh.corner_colors),
            "island_count" => map.island_count
          }.to_msgpack
        end

        def self.unpack_surface(bytes)
          packed = MessagePack.unpack(bytes)
          materials =
            packed["materials"].map { |name, color, image| Mesh::Material.new(name: name, color: color, image: image) }
          mesh =
            Mesh.new(
              **PackedArrays.unpack(packed["mesh"], MESH_ARRAYS),
              parts: packed["parts"],
              materials: materials,
              corner_normals: numbers(packed, "normals"),
              corner_colors: numbers(packed, "colors")
            )
          arrays = PackedArrays.unpack(packed["map"], MAP_ARRAYS)
          UvMap.new(mesh: mesh, **arrays, face_mapped: arrays[:face_mapped].eq(1), island_count: packed["island_count"])
        end

        def self.numbers(packed, name)
          packed[name] && PackedArrays.unpack({ name => packed[name] }, { name.to_sym => Numo::DFloat })[name.to_sym]
        end
        private_class_method :pack_surface, :unpack_surface, :numbers
      end
    end
  end
end
