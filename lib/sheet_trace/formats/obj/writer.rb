# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Writes a layout's model as OBJ with an MTL that shows one texture on every material. Polygons stay
      # polygons; equal UVs are written once; faces without UVs are written without.
      # Source: "Object Files (.obj)", Wavefront Advanced Visualizer manual, appendix B1; Ramey, Rose,
      #   Tyerman, "MTL material format (Lightwave, OBJ)", 1995.
      class Writer
        # @param layout [Layout]
        # @param base_name [String] of the files: NAME.obj, NAME.mtl and the texture NAME.png
        # @return [Hash{String => String}] file name => content, for the OBJ and the MTL
        def self.call(layout, base_name:) = new(layout, base_name).send(:files)

        def initialize(layout, base_name)
          @layout = layout
          @map = layout.uv_map
          @mesh = @map.mesh
          @base_name = base_name
        end
        private_class_method :new

        private

        def files
          { "#{@base_name}.obj" => obj, "#{@base_name}.mtl" => mtl }
        end

        def obj
          "mtllib #{@base_name}.mtl\n#{vertices}#{uvs}#{faces}"
        end

        def vertices = @mesh.positions.to_a.map { |x, y, z| "v #{number(x)} #{number(y)} #{number(z)}\n" }.join

        def uvs = unique_uvs.first.to_a.map { |u, v| "vt #{number(u)} #{number(v)}\n" }.join

        # @return [Array(Numo::DFloat, Array<Integer>)] distinct UVs, and for each point which of them, from 1
        def unique_uvs
          @unique_uvs ||= begin
            points = @layout.points_uv
            u, = Geometry::Grouped.ranks(points[true, 0])
            v, v_count = Geometry::Grouped.ranks(points[true, 1])
            ranks, count = Geometry::Grouped.pair_ranks(u, v, [v_count, 1].max)
            [points[Geometry::Grouped.representatives(ranks, count), true], (ranks + 1).to_a]
          end
        end

        def faces
          vertices = @mesh.corner_vertices.to_a
          points = @map.corner_points.to_a
          uvs = unique_uvs.last
          starts = @mesh.face_starts.to_a
          mapped = @map.face_mapped.to_a
          part = material = nil
          parts = @mesh.face_parts.to_a
          materials = @mesh.face_materials.to_a
          Array.new(@mesh.face_count) do |face|
            head = +""
            head << "o #{@mesh.parts[part = parts[face]]}\n" if part != parts[face]
            head << "usemtl #{material_name(material = materials[face])}\n" if material != materials[face]
            corners = (starts[face]...starts[face + 1]).map do |corner|
              mapped[face] == 1 ? "#{vertices[corner] + 1}/#{uvs[points[corner]]}" : (vertices[corner] + 1).to_s
            end
            "#{head}f #{corners.join(" ")}\n"
          end.join
        end

        def mtl
          @mesh.materials.each_index.map do |index|
            "newmtl #{material_name(index)}\nKa 0 0 0\nKd 1 1 1\nKs 0 0 0\nd 1\nillum 1\nmap_Kd #{@base_name}.png\n"
          end.join("\n")
        end

        def material_name(index) = @mesh.materials[index].gsub(/\s+/, "_")

        # The shortest text that reads back as the same number.
        def number(value) = value == value.to_i && value.abs < 1e15 ? value.to_i.to_s : value.to_s
      end
    end
  end
end
