# frozen_string_literal: true

module SheetTrace
  module Operations
    # Locks islands in place, so that packing goes round them, or unlocks them.
    #
    # islands [Array<Integer>]; locked [Boolean]
    LockIslands = Struct.new(:islands, :locked, keyword_init: true) do
      def initialize(islands:, locked: true)
        super
        freeze
      end

      def validate(job) = [Checks.islands(job, islands), Checks.flag(locked, "locked")].compact

      def apply(job) = job.with(plan: job.plan.with(locked: locked ? (job.plan.locked | islands).sort : job.plan.locked - islands))

      def describe(job, _after) = "#{Words.islands(job, islands)} #{locked ? "locked in place" : "unlocked"}"
    end
  end
end
