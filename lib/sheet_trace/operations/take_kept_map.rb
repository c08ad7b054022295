# frozen_string_literal: true

module SheetTrace
  module Operations
    # Goes back to a kept map. The sheet becomes as large as it was; names, tags and labels go along with the surface.
    class TakeKeptMap < Operation
      kept_map :index

      def call(job)
        kept = job.kept_maps[index]
        map = kept.layout.uv_map
        unless map.mesh.corner_vertices == job.mesh.corner_vertices
          refuse("#{kept.name} is of the model before it was changed; it no longer fits")
        end

        resized = job.with(layout: job.layout.resize(kept.layout.sheet))
        after =
          Job::Remap.by_corner(
            resized,
            corner_uvs: kept.layout.corner_uvs,
            face_mapped: map.face_mapped,
            groups: map.face_islands
          )
        change(after.with(drawn_seams: nil), "Back to #{kept.name}: #{after.layout.uv_map.island_count} islands")
      end
    end
  end
end
