# frozen_string_literal: true

module SheetTrace
  class Job
    # Where a job's model came from, and what its file holds beside the mesh.
    #
    # name [String] of the file; format [String] a name of Formats::READERS, or "solid"
    # unit_mm [Float, nil] what the file says of units; up_axis [String, nil] x, y or z, if it says
    # uv_sets [Array<Formats::UvSet>] by corner of the mesh as it is now
    # notes [Array<Formats::Note>] what the reader had to say
    Source =
      Struct.new(:name, :format, :unit_mm, :up_axis, :uv_sets, :notes, keyword_init: true) do
        def initialize(format: "obj", unit_mm: nil, up_axis: nil, uv_sets: [], notes: [], **rest)
          super
          freeze
        end

        # @return [Source]
        def self.of_reading(reading, name)
          new(
            name: name,
            format: reading.format,
            unit_mm: reading.unit_mm,
            up_axis: reading.up_axis,
            uv_sets: reading.uv_sets,
            notes: reading.notes
          )
        end

        # @return [Source] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        # @param order [Numo::Int64] C: which former corner each corner was
        # @return [Source] in step with a mesh whose corners were put in another order
        def reordered(order)
          with(
            uv_sets:
              uv_sets.map do |set|
                Formats::UvSet.new(
                  name: set.name,
                  uvs: set.uvs,
                  corner_uvs: set.corner_uvs[order],
                  face_mapped: set.face_mapped
                )
              end
          )
        end

        # @return [Array<Integer>] indices of the sets that some face has UVs in
        def used_sets = uv_sets.each_index.select { |i| uv_sets[i].face_mapped.any? }
      end
  end
end
