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
    end
  end
end
