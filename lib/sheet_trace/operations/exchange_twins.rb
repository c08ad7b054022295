# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lets two islands of the same shape change places, point by point: such as the inner and the outer side of a limb.
    #
    # islands [Array<Integer>] two
    ExchangeTwins = Struct.new(:islands, keyword_init: true) do
      def initialize(islands:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.islands(job, islands)
        return [problem] if problem
        return ["pick two islands"] unless islands.uniq.size == 2

        twins(job) ? [] : ["#{Words.islands(job, islands)} are not of one shape, so they can't change places"]
      end

      def apply(job)
        uvs = job.layout.points_uv.copy
        first, second = twins(job).points
        uvs[first, true] = job.layout.points_uv[second, true]
        uvs[second, true] = job.layout.points_uv[first, true]
        Job::Remap.with_points(job, uvs)
      end

      def describe(job, _after) = "#{Words.islands(job, islands)} changed places"

      private

      def twins(job) = Layout::FindTwins.call(job.method(:flat_map), job.layout.uv_map, islands).first
    end
  end
end
