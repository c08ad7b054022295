# frozen_string_literal: true

module SheetTrace
  module Formats
    # A model on its way out.
    #
    # mesh [Mesh]; uv_sets [Array<UvSet>]; unit_mm [Float] length of a model unit
    # images [Hash{String => String}] file name => bytes of the pictures that materials name
    # alphas [Hash{String => String}] file name => what of its alpha is seen: "mask" where it only leaves out, "blend"
    # where it is in between too
    # reliefs [Hash{String => Hash{Symbol => String}}] file name => those of its height: and normals: pictures
    Model =
      Struct.new(:mesh, :uv_sets, :unit_mm, :images, :alphas, :reliefs, keyword_init: true) do
        def initialize(unit_mm: 1.0, images: {}, alphas: {}, reliefs: {}, **rest)
          super
          freeze
        end

        # @param reading [Reading]
        # @return [Model]
        def self.of_reading(reading, unit_mm: reading.unit_mm || 1.0)
          new(mesh: reading.mesh, uv_sets: reading.uv_sets, unit_mm: unit_mm, images: reading.images)
        end

        # @param layout [Layout] whose UVs are written
        # @param rest [Hash] as the members above
        # @return [Model]
        def self.of_layout(layout, mesh: layout.uv_map.mesh, **rest)
          map = layout.uv_map
          set =
            UvSet.new(
              name: "layout",
              uvs: Model.plain(layout),
              corner_uvs: map.corner_points,
              face_mapped: map.face_mapped
            )
          new(mesh: mesh, uv_sets: [set], **rest)
        end

        # @return [Model] in axes of the other hand: x is turned round, and faces look outwards all the same
        def mirrored
          starts = mesh.face_starts.to_a
          order = Numo::Int64.cast(starts.each_cons(2).flat_map { |from, to| [from, *(from + 1...to).to_a.reverse] })
          positions = mesh.positions.copy.tap { |own| own[true, 0] *= -1 }
          normals = mesh.corner_normals && mesh.corner_normals[order, true].copy.tap { |own| own[true, 0] *= -1 }
          with(
            mesh:
              mesh.with(
                positions: positions,
                corner_vertices: mesh.corner_vertices[order],
                corner_normals: normals,
                corner_colors: mesh.corner_colors && mesh.corner_colors[order, true]
              ),
            uv_sets:
              uv_sets.map do |set|
                UvSet.new(name: set.name, uvs: set.uvs, corner_uvs: set.corner_uvs[order], face_mapped: set.face_mapped)
              end
          )
        end

        # @param parts [Array<Integer>]
        # @return [Model] of these parts alone, without vertices that no face of them has
        def of_parts(parts)
          faces = mesh.face_parts.to_a.each_index.select { |face| parts.include?(mesh.face_parts[face]) }
          corners =
            Numo::Int64.cast(faces.flat_map { |face| (mesh.face_starts[face]...mesh.face_starts[face + 1]).to_a })
          with(
            mesh: Model.part_mesh(mesh, faces, corners, parts),
            uv_sets:
              uv_sets.map do |set|
                UvSet.new(
                  name: set.name,
                  uvs: set.uvs,
                  corner_uvs: set.corner_uvs[corners],
                  face_mapped: set.face_mapped[faces]
                )
              end
          )
        end

        # Colours for formats that hold one for each vertex: the mean where those of its corners differ.
        #
        # @return [Array(Numo::DFloat, Boolean), nil] V x 4, and whether some were averaged; nil where there are none
        def vertex_colors
          own = mesh.corner_colors or return
          counts = mesh.corner_vertices.bincount(minlength: mesh.vertex_count)
          colors = Geometry::Grouped.sum_rows(mesh.corner_vertices, own, mesh.vertex_count)
          colors /= counts.clip(1, counts.max).expand_dims(1)
          colors[counts.eq(0).where, true] = 1.0 if counts.eq(0).any?
          [colors, (colors[mesh.corner_vertices, true] - own).abs.max > Model::SAME_COLOR]
        end

        # @return [Model] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        def self.part_mesh(mesh, faces, corners, parts)
          vertices = mesh.corner_vertices[corners]
          used = vertices.to_a.uniq
          numbers = Numo::Int32.zeros(mesh.vertex_count).tap { |own| own[used] = Numo::Int32.new(used.size).seq }
          Mesh.new(
            positions: mesh.positions[used, true],
            face_starts:
              Numo::Int32.cast(
                [0, *mesh.face_sizes[faces].to_a].reduce([]) { |all, size| all << ((all.last || 0) + size) }
              ),
            corner_vertices: numbers[vertices],
            face_parts: Numo::Int32.cast(mesh.face_parts[faces].to_a.map { |part| parts.index(part) }),
            parts: mesh.parts.values_at(*parts),
            face_materials: mesh.face_materials[faces],
            materials: mesh.materials,
            corner_normals: mesh.corner_normals && mesh.corner_normals[corners, true],
            corner_colors: mesh.corner_colors && mesh.corner_colors[corners, true]
          )
        end

        # UVs without the noise of arithmetic: exact where they lie on whole pixels, else to ten decimals, which is far
        # below what any sheet can tell apart.
        #
        # @param layout [Layout]
        # @return [Numo::DFloat] P x 2
        def self.plain(layout)
          uvs = layout.points_uv.copy
          [layout.sheet.width_px, layout.sheet.height_px].each_with_index do |side, axis|
            px = uvs[true, axis] * side
            whole = (px - px.round).abs < Model::WHOLE_PX
            values = (uvs[true, axis] * Model::DECIMALS).round / Model::DECIMALS
            values[whole.where] = px.round[whole.where] / side if whole.any?
            uvs[true, axis] = values + 0.0 # no negative zero
          end
          uvs
        end

        # @return [Array<UvSet>] those that some face has UVs in
        def used_sets = uv_sets.select { |set| set.face_mapped.any? }
      end

    # How UVs are written.
    class Model
      WHOLE_PX = 1e-6
      DECIMALS = 1e10
      # Colours that differ by less are the same: half a step of 8 bits.
      SAME_COLOR = 0.5 / 255
    end
  end
end
