# frozen_string_literal: true

module SheetTrace
  module Operations
    # Shows an edition: the sheet, the model and what is delivered are of that one.
    class ShowEdition < Operation
      edition

      def call(job)
        stack = job.artwork.with(shown: edition)
        change(job.with(artwork: stack), "Edition #{stack.edition.name} shown")
      end
    end
  end
end
