# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets how far islands shall stay inside their cells, so that no rim of a neighbour's colour shows.
    class SetInset < Operation
      number :inset_px, 0..1000, "px of the sheet"

      def call(job)
        change(
          job.with(fit_setup: job.fit_setup.with(inset_px: inset_px)),
          "Inset: #{Phrases.px(inset_px)} inside cells"
        )
      end
    end
  end
end
