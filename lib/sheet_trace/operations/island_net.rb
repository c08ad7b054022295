# frozen_string_literal: true

module SheetTrace
  module Operations
    # What joining islands and growing nets share.
    module IslandNet
      # @param job [Job]
      # @return [Flatten::Join] with the job's islands as pieces
      def self.start(job)
        mirrored = job.measures.each_with_index.to_h { |measure, island| [island, measure.mirrored] }
        Flatten::Join.new(job.mesh, job.sheet.to_px(job.layout.corner_uvs), Job::Remap.groups(job), mirrored)
      end

      # @param job [Job]
      # @param join [Flatten::Join]
      # @return [Job] with the pieces as they were joined; those that came to lie on others, or off the sheet, at
      #   free places
      def self.settled(job, join)
        map = job.layout.uv_map
        after =
          Job::Remap.by_corner(
            job,
            corner_uvs: job.sheet.px_to_uv.apply(join.places),
            face_mapped: map.face_mapped,
            groups: join.groups
          )
        former = join.groups.ne(Job::Remap.groups(job)).where
        grown = former.empty? ? [] : after.layout.uv_map.face_islands[former].to_a.uniq
        after.with(layout: Layout::MoveToFreePlaces.call(after.layout, grown, gutter_px: job.gutter_px))
      end
    end
  end
end
