# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets the present map aside under a name: islands, where they are cut and where they lie.
    #
    # name [String]
    KeepMap = Struct.new(:name, keyword_init: true) do
      def initialize(name:)
        super
        freeze
      end

      def validate(job) = [Checks.text(name, "the name"), Checks.taken(name, job.kept_maps.map(&:name), nil, "kept map")].compact

      def apply(job)
        layout = job.layout
        job.with(kept_maps: job.kept_maps + [Job::KeptMap.new(name.strip) { layout }])
      end

      def describe(job, _after) = "Map kept as #{name.strip}: #{job.layout.uv_map.island_count} islands"
    end
  end
end
