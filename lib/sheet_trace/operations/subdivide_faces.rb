# frozen_string_literal: true

module SheetTrace
  module Operations
    # Makes smaller faces of some, as Mesh::Subdivide does, so that each can be given another place on the sheet. The
    # surface, the islands and the art
    # stay as they are; seams drawn for the next laying flat go on along the halves of their edges.
    class SubdivideFaces < Operation
      # How many faces a model may come to have.
      MOST_FACES = 500_000

      faces

      def call(job)
        if job.mesh.face_count + (4 * faces.size) > MOST_FACES
          refuse("the model would have more than #{MOST_FACES} faces; pick fewer")
        end

        finer = Mesh::Subdivide.call(job.mesh, faces)
        after =
          Job::Remap.by_corner(
            job,
            mesh: finer.mesh,
            origins: finer.origins,
            edge_middles: finer.middles,
            source: source(job, finer),
            corner_uvs: finer.carry(job.layout.corner_uvs),
            face_mapped: job.layout.uv_map.face_mapped[finer.origins],
            groups: Job::Remap.groups(job)[finer.origins]
          )
        change(
          after,
          "#{Phrases.count(faces.uniq.size, "face")} subdivided: the model has #{after.mesh.face_count} faces, " \
            "#{after.mesh.face_count - job.mesh.face_count} more"
        )
      end

      private

      # The file's own UV sets, in step with the new faces.
      def source(job, finer)
        job.source.with(
          uv_sets:
            job.source.uv_sets.map do |set|
              uvs = set.uvs.empty? ? Numo::DFloat.zeros(job.mesh.corner_count, 2) : set.uvs[set.corner_uvs, true]
              Formats::UvSet.new(
                name: set.name,
                uvs: finer.carry(uvs),
                corner_uvs: Numo::Int32.new(finer.mesh.corner_count).seq,
                face_mapped: set.face_mapped[finer.origins]
              )
            end
        )
      end
    end
  end
end
