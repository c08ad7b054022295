# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives islands weights by how much of them is seen from around the model: those wholly seen 1, those wholly
    # hidden one over the limit.
    # Weights given by hand before are replaced.
    class WeighByVisibility < Operation
      number :limit, 1..100, "between the greatest weight and the least", default: 4

      # Steps of a twentieth, so that what is seen alike weighs alike.
      def call(job)
        refuse("there is no island on the sheet") if job.layout.uv_map.island_count.zero?

        weights =
          Layout::Visibility
            .call(job.layout.uv_map)
            .map do |seen|
              least = 1.0 / limit
              ((least + ((1 - least) * (seen * 20).round / 20.0)) * 100).round / 100.0
            end
        plan =
          job.plan.with(
            weights: weights.each_with_index.filter_map { |weight, island| [island, weight] unless weight == 1 }.to_h
          )
        least, most = weights.minmax
        change(
          job.with(plan: plan),
          "Weights by what is seen: #{Phrases.short(least)} to #{Phrases.short(most)}; equalise to bring the islands " \
            "to them"
        )
      end
    end
  end
end
