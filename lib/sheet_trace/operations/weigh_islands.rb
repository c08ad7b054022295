# frozen_string_literal: true

module SheetTrace
  module Operations
    # Records how dense islands shall be beside the others: 2 for what is looked at, 0.25 for what is hidden. Equalise and packing keep to it.
    #
    # islands [Array<Integer>]; weight [Numeric]
    WeighIslands = Struct.new(:islands, :weight, keyword_init: true) do
      def initialize(islands:, weight:)
        super
        freeze
      end

      def validate(job) = [Checks.islands(job, islands), Checks.number(weight, "weight", 0.01..100)].compact

      def apply(job)
        others = job.plan.weights.except(*islands)
        job.with(plan: job.plan.with(weights: weight == 1 ? others : others.merge(islands.to_h { |island| [island, weight.to_f] })))
      end

      def describe(job, _after) = "#{Words.islands(job, islands)}: weight #{Words.short(weight)}"
    end
  end
end
