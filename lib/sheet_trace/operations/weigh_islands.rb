# frozen_string_literal: true

module SheetTrace
  module Operations
    # Records how dense islands shall be beside the others: 2 for what is looked at, 0.25 for what is hidden. Equalise
    # and packing keep to it.
    class WeighIslands < Operation
      islands
      number :weight, 0.01..100

      def call(job)
        others = job.plan.weights.except(*islands)
        weights = weight == 1 ? others : others.merge(islands.to_h { |island| [island, weight.to_f] })
        change(
          job.with(plan: job.plan.with(weights: weights)),
          "#{Phrases.islands(job, islands)}: weight #{Phrases.short(weight)}"
        )
      end
    end
  end
end
