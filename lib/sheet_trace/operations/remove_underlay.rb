# frozen_string_literal: true

module SheetTrace
  module Operations
    # Takes an underlay out of the list, with its cells. The picture itself stays with the job.
    class RemoveUnderlay < Operation
      underlay :index

      def call(job)
        setup = job.fit_setup
        gone = setup.underlays[index]
        refuse("#{gone.name} is locked; unlock it first") if gone.locked

        shown = setup.shown unless setup.shown == index
        shown -= 1 if shown && shown > index
        left = setup.with(underlays: setup.underlays.reject.with_index { |_underlay, i| i == index }, shown: shown)
        change(job.with(fit_setup: left), "#{gone.name} removed from the underlays")
      end
    end
  end
end
