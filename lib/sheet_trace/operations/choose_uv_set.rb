# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays the islands as another UV set of the file has them.
    #
    # set [Integer] index into the source's sets
    ChooseUvSet = Struct.new(:set, keyword_init: true) do
      def initialize(set:)
        super
        freeze
      end

      def validate(job)
        job.source.used_sets.include?(set) ? [] : ["there is no UV set #{set.inspect}; the file has #{job.source.used_sets.join(", ")}"]
      end

      def apply(job) = Job::Remap.call(job, Job.first_map(job.source, job.mesh, job.sheet, set))

      def describe(job, after) = "Islands as in UV set #{job.source.uv_sets[set].name}: #{after.layout.uv_map.island_count} islands"
    end
  end
end
