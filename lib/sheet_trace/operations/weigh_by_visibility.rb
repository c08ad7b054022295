# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives islands weights by how much of them is seen from around the model: those wholly seen 1, those wholly hidden one over the limit.
    # Weights given by hand before are replaced.
    #
    # limit [Numeric] between the greatest weight and the least
    WeighByVisibility = Struct.new(:limit, keyword_init: true) do
      def initialize(limit: 4)
        super
        freeze
      end

      def validate(job)
        [Checks.number(limit, "limit", 1..100), job.layout.uv_map.island_count.zero? ? "there is no island on the sheet" : nil].compact
      end

      # Steps of a twentieth, so that what is seen alike weighs alike.
      def apply(job)
        weights = Layout::Visibility.call(job.layout.uv_map).each_with_index.to_h do |seen, island|
          least = 1.0 / limit
          [island, ((least + ((1 - least) * (seen * 20).round / 20.0)) * 100).round / 100.0]
        end
        job.with(plan: job.plan.with(weights: weights.reject { |_island, weight| weight == 1 }))
      end

      def describe(job, after)
        least, most = (0...job.layout.uv_map.island_count).map { |island| after.plan.weight(island) }.minmax
        "Weights by what is seen: #{Words.short(least)} to #{Words.short(most)}; equalise to bring the islands to them"
      end
    end
  end
end
