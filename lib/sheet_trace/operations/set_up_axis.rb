# frozen_string_literal: true

module SheetTrace
  module Operations
    # Turns the model so that another of its axes points up, for files that don't say which one does.
    class SetUpAxis < Operation
      one_of :axis, %w[x z], "the axis that is up now and shall be y"

      def call(job)
        turn = Geometry::Transform.y_up_from(axis)
        mesh =
          job.mesh.with(
            positions: Geometry::Transform.apply(turn, job.mesh.positions),
            corner_normals:
              job.mesh.corner_normals && Geometry::Transform.apply_to_normals(turn, job.mesh.corner_normals)
          )
        turned =
          Job::Remap.by_corner(
            job,
            mesh: mesh,
            corner_uvs: job.layout.corner_uvs,
            face_mapped: job.layout.uv_map.face_mapped,
            groups: Job::Remap.groups(job)
          )
        change(turned, "The model was turned: its #{axis} axis points up now")
      end
    end
  end
end
