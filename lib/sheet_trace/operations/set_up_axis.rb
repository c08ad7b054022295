# frozen_string_literal: true

module SheetTrace
  module Operations
    # Turns the model so that another of its axes points up, for files that don't say which one does.
    #
    # axis [String] x, y or z: the axis that is up now and shall be y
    SetUpAxis = Struct.new(:axis, keyword_init: true) do
      def initialize(axis:)
        super
        freeze
      end

      def validate(_job) = %w[x z].include?(axis) ? [] : ["axis is #{axis.inspect}; give x or z"]

      def apply(job)
        turn = Geometry::Transform.y_up_from(axis)
        mesh = job.mesh.with(positions: Geometry::Transform.apply(turn, job.mesh.positions),
                             corner_normals: job.mesh.corner_normals && Geometry::Transform.apply_to_normals(turn, job.mesh.corner_normals))
        Job::Remap.by_corner(job, mesh: mesh, corner_uvs: job.layout.corner_uvs, face_mapped: job.layout.uv_map.face_mapped, groups: Job::Remap.groups(job))
      end

      def describe(_job, _after) = "The model was turned: its #{axis} axis points up now"
    end
  end
end
