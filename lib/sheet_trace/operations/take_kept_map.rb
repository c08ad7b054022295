# frozen_string_literal: true

module SheetTrace
  module Operations
    # Goes back to a kept map. The sheet becomes as large as it was; names, tags and labels go along with the surface.
    #
    # index [Integer] into the kept maps
    TakeKeptMap = Struct.new(:index, keyword_init: true) do
      def initialize(index:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.entry(index, job.kept_maps, "kept map")
        return [problem] if problem

        same = job.kept_maps[index].layout.uv_map.mesh.corner_vertices == job.mesh.corner_vertices
        same ? [] : ["#{job.kept_maps[index].name} is of the model before it was changed; it no longer fits"]
      end

      def apply(job)
        kept = job.kept_maps[index].layout
        resized = job.with(layout: job.layout.resize(kept.sheet))
        after = Job::Remap.by_corner(resized, corner_uvs: kept.corner_uvs, face_mapped: kept.uv_map.face_mapped, groups: kept.uv_map.face_islands)
        after.with(drawn_seams: nil)
      end

      def describe(job, after) = "Back to #{job.kept_maps[index].name}: #{after.layout.uv_map.island_count} islands"
    end
  end
end
