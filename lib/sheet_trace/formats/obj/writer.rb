# frozen_string_literal: true

module SheetTrace
  module Formats
    module Obj
      # Writes OBJ with an MTL: polygons, normals, parts, colours of vertices, materials with colour and picture. Equal
      # UVs and normals are written once; faces without UVs are written without. Leaves out: UV sets behind the first,
      # units.
      # Source: "Object Files (.obj)", Wavefront Advanced Visualizer manual, appendix B1; Ramey, Rose,
      #   Tyerman, "MTL material format (Lightwave, OBJ)", 1995.
      class Writer
        # Of a share of a colour that are told apart.
        COLOR_STEPS = 1e5
        private_constant :COLOR_STEPS

        # @param model [Model]
        # @param base_name [String] of the files: NAME.obj and NAME.mtl
        # @return [Written] OBJ, MTL and pictures
        def self.call(model, base_name:) = new(model, base_name).send(:written)

        def initialize(model, base_name)
          @model = model
          @mesh = model.mesh
          @set = model.used_sets.first
          @base_name = base_name
        end
        private_class_method :new

        private

        def written
          notes = []
          further = @model.used_sets.drop(1).map(&:name)
          if further.any?
            notes << Written.left_out("uv_sets_left_out", "OBJ holds one set of UVs; left out: #{further.join(", ")}")
          end
          unless (@model.unit_mm - 1.0).abs < 1e-12
            notes << Written.left_out("unit_left_out", "OBJ has no place for units; one unit is #{@model.unit_mm} mm")
          end
          notes << Written.colors_averaged("OBJ") if @model.vertex_colors&.last
          Written.new(files: { "#{@base_name}.obj" => obj, "#{@base_name}.mtl" => mtl, **@model.images }, notes: notes)
        end

        def obj
          @uvs, @uv_numbers = @set ? unique(@set.uvs) : [[], []]
          @normals, @normal_numbers = @mesh.corner_normals ? unique(@mesh.corner_normals) : [[], []]
          ["mtllib #{@base_name}.mtl\n", rows("v", vertices.to_a), rows("vt", @uvs), rows("vn", @normals), faces].join
        end

        def vertices
          colors, = @model.vertex_colors
          return @mesh.positions unless colors

          Numo::NArray.hstack([@mesh.positions, (colors[true, 0..2] * COLOR_STEPS).round / COLOR_STEPS])
        end

        def rows(word, values) = values.map { |row| "#{word} #{row.map { |value| number(value) }.join(" ")}\n" }.join

        # @return [Array(Array, Array<Integer>)] distinct rows, and for each row which of them, from 1
        def unique(values)
          ranks, count =
            (1...values.shape[1]).reduce(Geometry::Grouped.ranks(values[true, 0])) do |(so_far, _), axis|
              Geometry::Grouped.pair_ranks(so_far, *Geometry::Grouped.ranks(values[true, axis]))
            end
          [values[Geometry::Grouped.representatives(ranks, count), true].to_a, (ranks + 1).to_a]
        end

        def faces
          vertices = @mesh.corner_vertices.to_a
          uvs = @set && @set.corner_uvs.to_a
          starts = @mesh.face_starts.to_a
          mapped = @set ? @set.face_mapped.to_a : Array.new(@mesh.face_count, 0)
          part = material = nil
          parts = @mesh.face_parts.to_a
          materials = @mesh.face_materials.to_a
          Array
            .new(@mesh.face_count) do |face|
              head = +""
              head << "o #{@mesh.parts[part = parts[face]]}\n" if part != parts[face]
              head << "usemtl #{material_name(material = materials[face])}\n" if material != materials[face]
              corners =
                (starts[face]...starts[face + 1]).map do |corner|
                  corner_text(vertices[corner], mapped[face] == 1 && @uv_numbers[uvs[corner]], @normal_numbers[corner])
                end
              "#{head}f #{corners.join(" ")}\n"
            end
            .join
        end

        def corner_text(vertex, uv, normal)
          return uv ? "#{vertex + 1}/#{uv}" : (vertex + 1).to_s unless normal

          "#{vertex + 1}/#{uv || ""}/#{normal}"
        end

        def mtl
          @mesh
            .materials
            .each_with_index
            .map do |material, index|
              color = material.color || [1.0, 1.0, 1.0, 1.0]
              map =
                material.image &&
                  "map_Kd #{material.image}\n#{"map_d #{material.image}\n" if @model.alphas[material.image]}" \
                    "#{"bump #{@model.reliefs[material.image][:height]}\n" if @model.reliefs[material.image]}"
              "newmtl #{material_name(index)}\nKa 0 0 0\nKd #{
                color.first(3).map { |share| number(share.round(6)) }.join(" ")
              }\nKs 0 0 0\nd #{number(color[3].round(6))}\nillum 1\n#{map}"
            end
            .join("\n")
        end

        def material_name(index) = @mesh.materials[index].name.gsub(/\s+/, "_")

        # The shortest text that reads back as the same number.
        def number(value) = value == value.to_i && value.abs < 1e15 ? value.to_i.to_s : value.to_s
      end
    end
  end
end
