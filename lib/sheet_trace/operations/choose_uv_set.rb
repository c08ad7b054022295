# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays the islands as another UV set of the file has them.
    class ChooseUvSet < Operation
      whole :set, 0..1000, "of the file's UV sets", label: "UV set"

      def call(job)
        used = job.source.used_sets
        refuse("there is no UV set #{set}; the file has #{used.join(", ")}") unless used.include?(set)

        after = Job::Remap.call(job, Job.first_map(job.source, job.mesh, job.sheet, set))
        change(
          after,
          "Islands as in UV set #{job.source.uv_sets[set].name}: #{after.layout.uv_map.island_count} islands"
        )
      end
    end
  end
end
