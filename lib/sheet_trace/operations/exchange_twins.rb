# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lets two islands of the same shape change places, point by point: such as the inner and the outer side of a limb.
    class ExchangeTwins < Operation
      islands :islands, "two"

      def call(job)
        refuse("pick two islands") unless islands.uniq.size == 2

        twins = Layout::FindTwins.call(job.method(:flat_map), job.layout.uv_map, islands).first
        refuse("#{Phrases.islands(job, islands)} are not of one shape, so they can't change places") unless twins

        uvs = job.layout.points_uv.copy
        first, second = twins.points
        uvs[first, true] = job.layout.points_uv[second, true]
        uvs[second, true] = job.layout.points_uv[first, true]
        change(Job::Remap.with_points(job, uvs), "#{Phrases.islands(job, islands)} changed places")
      end
    end
  end
end
