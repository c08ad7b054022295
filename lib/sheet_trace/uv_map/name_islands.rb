# frozen_string_literal: true

module SheetTrace
  class UvMap
    # Names islands, as Mesh::NamePatches does.
    module NameIslands
      # @param uv_map [UvMap]
      # @return [Array<String>] I names, no two alike
      def self.call(uv_map)
        return [] if uv_map.island_count.zero?

        Mesh::NamePatches.call(uv_map.mean_normals, part_names(uv_map), uv_map.island_middles.to_a)
      end

      def self.part_names(uv_map)
        parts = uv_map.mesh.parts
        return Array.new(uv_map.island_count) if parts.size < 2

        uv_map.island_faces.map { |faces| parts[uv_map.mesh.face_parts[faces[0]]] }
      end
      private_class_method :part_names
    end
  end
end
