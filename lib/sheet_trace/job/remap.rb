# frozen_string_literal: true

module SheetTrace
  class Job
    # Gives a job another map of the same surface: every part of the document is handed on by its own rule.
    module Remap
      # @param job [Job]
      # @param uv_map [UvMap]
      # @param source [Source]
      # @param carried [Hash] origins:, edge_middles: as Carry
      # @return [Job]
      def self.call(job, uv_map, source: job.source, **carried)
        carry = Carry.new(job, uv_map, source: source, **carried)
        parts = Parts::ALL.to_h { |name, part| [name, part.handed_on(job.part(name), carry)] }
        Job.new(**parts, dropped: job.dropped + carry.dropped)
      end

      # The same, from UVs by corner; faces of different groups stay islands apart.
      #
      # @param corner_uvs [Numo::DFloat] C x 2
      # @param face_mapped [Numo::Bit] F
      # @param groups [Numo::Int32] F
      # @param mesh [Mesh]
      # @return [Job]
      def self.by_corner(job, corner_uvs:, face_mapped:, groups:, mesh: job.mesh, **carried)
        call(
          job,
          UvMap::Build.call(mesh, corner_uvs, Numo::Int32.new(mesh.corner_count).seq, face_mapped, groups: groups),
          **carried
        )
      end

      # The same islands in other shapes; twins that lie on one go along.
      #
      # @param points_uv [Numo::DFloat] P x 2 on the sheet
      # @return [Job]
      def self.reshaped(job, points_uv) = with_points(job, SheetTrace::Layout::Stacks.follow(job.layout, points_uv))

      # The same islands with points at other places.
      #
      # @param points_uv [Numo::DFloat] P x 2 on the sheet
      # @return [Job]
      def self.with_points(job, points_uv)
        map = job.layout.uv_map
        by_corner(
          job,
          corner_uvs: points_uv[map.corner_points, true],
          face_mapped: map.face_mapped,
          groups: groups(job)
        )
      end

      # @return [Numo::Int32] F groups that keep a job's islands apart; faces not on the sheet have a group of their own
      def self.groups(job)
        map = job.layout.uv_map
        map.face_islands.copy.tap do |groups|
          groups[(~map.face_mapped).where] = map.island_count if map.face_mapped.eq(0).any?
        end
      end
    end
  end
end
