# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets the present map aside under a name: islands, where they are cut and where they lie.
    class KeepMap < Operation
      text :name

      def call(job)
        if job.kept_maps.any? { |kept| kept.name == name }
          refuse("another kept map is called #{name.inspect}; give each a name of its own")
        end

        layout = job.layout
        change(
          job.with(kept_maps: job.kept_maps + [Job::KeptMap.new(name) { layout }]),
          "Map kept as #{name}: #{layout.uv_map.island_count} islands"
        )
      end
    end
  end
end
