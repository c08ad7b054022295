# frozen_string_literal: true

module SheetTrace
  module Operations
    # Makes vertices of one part that lie in the same place one, so that faces which seem to touch are joined. Islands
    # whose UVs meet along such an edge become one.
    MergeVertices = Struct.new(nil, keyword_init: true) do
      def validate(job) = merged(job).vertex_count < job.mesh.vertex_count ? [] : ["no two vertices of a part lie in the same place"]

      def apply(job)
        uv_map = job.layout.uv_map
        Job::Remap.by_corner(job, mesh: merged(job), corner_uvs: job.layout.corner_uvs, face_mapped: uv_map.face_mapped, groups: nil)
      end

      def describe(job, after) = "#{job.mesh.vertex_count - after.mesh.vertex_count} vertices merged, #{after.mesh.vertex_count} left"

      private

      def merged(job) = Mesh::MergeVertices.call(job.mesh)
    end
  end
end
