# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes an edition away, with what it replaces. The stack of layers stays.
    class RemoveEdition < Operation
      edition

      def call(job)
        stack = job.artwork
        refuse("#{stack.edition.name} is the only edition; add another first") if stack.editions.size == 1

        shown = stack.shown >= edition && stack.shown.positive? ? stack.shown - 1 : stack.shown
        left = stack.with(editions: stack.editions.reject.with_index { |_own, index| index == edition }, shown: shown)
        change(job.with(artwork: left), "Edition #{stack.editions[edition].name} removed, #{left.edition.name} shown")
      end
    end
  end
end
