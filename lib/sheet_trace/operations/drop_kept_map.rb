# frozen_string_literal: true

module SheetTrace
  module Operations
    # Forgets a kept map.
    #
    # index [Integer] into the kept maps
    DropKeptMap = Struct.new(:index, keyword_init: true) do
      def initialize(index:)
        super
        freeze
      end

      def validate(job) = [Checks.entry(index, job.kept_maps, "kept map")].compact

      def apply(job) = job.with(kept_maps: job.kept_maps.reject.with_index { |_kept, i| i == index })

      def describe(job, _after) = "#{job.kept_maps[index].name} forgotten"
    end
  end
end
