# frozen_string_literal: true

module SheetTrace
  module Formats
    module Collada
      # Writes COLLADA 1.4.1: a geometry and a node for each part, polygons as polylist, normals, all UV sets, lambert
      # materials with colour or picture, the unit. Leaves out: parts without faces.
      # Source: Khronos, "COLLADA - Digital Asset Schema Release 1.4.1 Specification".
      class Writer
        NAMESPACE = "http://www.collada.org/2005/11/COLLADASchema"
        # "Written by" needs a time; a fixed one keeps the same model the same file.
        WRITTEN_AT = "2000-01-01T00:00:00Z"
        private_constant :NAMESPACE, :WRITTEN_AT

        # @param model [Model]
        # @param base_name [String] of the file NAME.dae
        # @return [Written] the model and its pictures
        def self.call(model, base_name:) = new(model).send(:written, base_name)

        def initialize(model)
          @model = model
          @mesh = model.mesh
          @sets = model.used_sets
          @parts = @mesh.parts.each_index.select { |part| @mesh.face_parts.eq(part).any? }
          @repeated = Instances.call(model)
        end
        private_class_method :new

        private

        def written(base_name)
          empty = @parts.size < @mesh.parts.size
          Written.new(
            files: {
              "#{base_name}.dae" => xml,
              **@model.images
            },
            notes: [
              (Written.left_out("empty_parts_left_out", "parts without faces were left out") if empty),
              (Written.left_out("vertex_colours_left_out", "colours of vertices were left out") if @mesh.corner_colors)
            ].compact
          )
        end

        def xml
          Nokogiri::XML::Builder
            .new(encoding: "UTF-8") do |x|
              x.COLLADA(xmlns: NAMESPACE, version: "1.4.1") do
                x.asset do
                  x.contributor { x.authoring_tool "Sheet Trace" }
                  x.created WRITTEN_AT
                  x.modified WRITTEN_AT
                  x.unit(name: "unit", meter: @model.unit_mm / 1000)
                  x.up_axis "Y_UP"
                end
                images(x)
                effects(x)
                geometries(x)
                scene(x)
              end
            end
            .to_xml(save_with: Nokogiri::XML::Node::SaveOptions::AS_XML)
        end

        def pictures = @pictures ||= @mesh.materials.filter_map(&:image).uniq

        def images(x)
          return if pictures.empty?

          x.library_images do
            pictures.each_with_index do |name, i|
              x.image(id: "image-#{i}", name: name) { x.init_from URI::DEFAULT_PARSER.escape(name) }
            end
          end
        end

        def effects(x)
          x.library_effects do
            @mesh.materials.each_with_index do |material, i|
              x.effect(id: "effect-#{i}") { x.profile_COMMON { profile(x, material) } }
            end
          end
          x.library_materials do
            @mesh.materials.each_with_index do |material, i|
              x.material(id: "material-#{i}", name: material.name) { x.instance_effect(url: "#effect-#{i}") }
            end
          end
        end

        def profile(x, material)
          if material.image
            x.newparam(sid: "surface") do
              x.surface(type: "2D") { x.init_from "image-#{pictures.index(material.image)}" }
            end
            x.newparam(sid: "sampler") { x.sampler2D { x.source "surface" } }
          end
          x.technique(sid: "common") do
            x.lambert do
              x.diffuse do
                if material.image
                  x.texture(texture: "sampler", texcoord: "UV0")
                else
                  x.color((material.color || [1, 1, 1, 1]).join(" "))
                end
              end
              # COLLADA 1.5, <transparent>: opaque where alpha is 1.
              if @model.alphas[material.image]
                x.transparent(opaque: "A_ONE") { x.texture(texture: "sampler", texcoord: "UV0") }
              end
            end
          end
        end

        def geometries(x)
          x.library_geometries do
            (@parts - @repeated.keys).each do |part|
              x.geometry(id: "part-#{part}", name: @mesh.parts[part]) { x.mesh { geometry(x, part) } }
            end
          end
        end

        def geometry(x, part)
          faces = @mesh.face_parts.eq(part).where
          corners = @mesh.face_parts[@mesh.corner_faces].eq(part).where
          vertices, numbers = compact(@mesh.corner_vertices[corners])
          place = Numo::Int64.zeros(@mesh.corner_count)
          place[corners] = Numo::Int64.new(corners.size).seq
          source(x, "part-#{part}-positions", @mesh.positions[vertices, true], %w[X Y Z])
          source(x, "part-#{part}-normals", @mesh.corner_normals[corners, true], %w[X Y Z]) if @mesh.corner_normals
          used = @sets.each_index.map { |i| compact(@sets[i].corner_uvs[corners]) }
          used.each_with_index { |(uvs, _), i| source(x, "part-#{part}-uv#{i}", @sets[i].uvs[uvs, true], %w[S T]) }
          x.vertices(id: "part-#{part}-vertices") { x.input(semantic: "POSITION", source: "#part-#{part}-positions") }
          columns = [numbers, @mesh.corner_normals && Numo::Int64.new(corners.size).seq, *used.map(&:last)]
          groups(faces).each { |material, sets, some| polylist(x, part, material, sets, some, columns, place) }
        end

        # Faces by material and by the sets they have UVs in.
        def groups(faces)
          keys =
            @sets
              .each_with_index
              .reduce(Numo::Int64.cast(@mesh.face_materials[faces]) << @sets.size) do |sum, (set, i)|
                sum + (Numo::Int64.cast(set.face_mapped[faces]) << i)
              end
          keys.to_a.uniq.map do |key|
            [key >> @sets.size, @sets.each_index.select { |i| key[i] == 1 }, faces[keys.eq(key).where]]
          end
        end

        def polylist(x, part, material, sets, faces, columns, place)
          x.polylist(count: faces.size, material: "m#{material}") do
            x.input(semantic: "VERTEX", source: "#part-#{part}-vertices", offset: 0)
            used = [columns[0]]
            if columns[1]
              x.input(semantic: "NORMAL", source: "#part-#{part}-normals", offset: 1)
              used << columns[1]
            end
            sets.each do |i|
              x.input(semantic: "TEXCOORD", source: "#part-#{part}-uv#{i}", offset: used.size, set: i)
              used << columns[2 + i]
            end
            sizes = @mesh.face_sizes[faces]
            x.vcount sizes.to_a.join(" ")
            x.p indices(faces, sizes, used, place)
          end
        end

        def indices(faces, sizes, columns, place)
          owner = Geometry::Grouped.repeat(Numo::Int64.cast(sizes))
          rows = place[@mesh.face_starts[faces][owner] + Geometry::Grouped.places(Numo::Int64.cast(sizes), owner)]
          table = Numo::Int64.zeros(rows.size, columns.size)
          columns.each_with_index { |column, i| table[true, i] = column[rows] }
          table.flatten.to_a.join(" ")
        end

        # @return [Array(Numo::Int64, Numo::Int64)] the indices in use, and for each entry its place among them
        def compact(indices)
          ranks, count = Geometry::Grouped.ranks(indices)
          [indices[Geometry::Grouped.representatives(ranks, count)], ranks]
        end

        def source(x, id, values, names)
          x.source(id: id) do
            x.float_array(values.to_a.flatten.join(" "), id: "#{id}-array", count: values.size)
            x.technique_common do
              x.accessor(source: "##{id}-array", count: values.shape[0], stride: names.size) do
                names.each { |name| x.param(name: name, type: "float") }
              end
            end
          end
        end

        def scene(x)
          x.library_visual_scenes do
            x.visual_scene(id: "scene") do
              @parts.each do |part|
                leader, onto = @repeated[part]
                x.node(id: "node-#{part}", name: @mesh.parts[part]) do
                  x.matrix onto.flatten.to_a.join(" ") if onto
                  x.instance_geometry(url: "#part-#{leader || part}") { bindings(x, part) }
                end
              end
            end
          end
          x.scene { x.instance_visual_scene(url: "#scene") }
        end

        def bindings(x, part)
          x.bind_material do
            x.technique_common do
              @mesh.face_materials[@mesh.face_parts.eq(part).where].to_a.uniq.each do |material|
                x.instance_material(symbol: "m#{material}", target: "#material-#{material}") do
                  x.bind_vertex_input(semantic: "UV0", input_semantic: "TEXCOORD", input_set: 0)
                end
              end
            end
          end
        end
      end
    end
  end
end
