# frozen_string_literal: true

module SheetTrace
  module Operations
    # Locks islands in place, so that packing goes round them, or unlocks them.
    class LockIslands < Operation
      islands
      flag :locked, default: true

      def call(job)
        after =
          job.with(plan: job.plan.with(locked: locked ? (job.plan.locked | islands).sort : job.plan.locked - islands))
        change(after, "#{Phrases.islands(job, islands)} #{locked ? "locked in place" : "unlocked"}")
      end
    end
  end
end
