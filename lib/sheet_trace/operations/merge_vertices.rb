# frozen_string_literal: true

module SheetTrace
  module Operations
    # Makes vertices of one part that lie in the same place one, so that faces which seem to touch are joined. Islands
    # whose UVs meet along such an edge become one.
    class MergeVertices < Operation
      def call(job)
        merged = Mesh::MergeVertices.call(job.mesh)
        refuse("no two vertices of a part lie in the same place") if merged.vertex_count == job.mesh.vertex_count

        after =
          Job::Remap.by_corner(
            job,
            mesh: merged,
            corner_uvs: job.layout.corner_uvs,
            face_mapped: job.layout.uv_map.face_mapped,
            groups: nil
          )
        change(after, "#{job.mesh.vertex_count - merged.vertex_count} vertices merged, #{merged.vertex_count} left")
      end
    end
  end
end
