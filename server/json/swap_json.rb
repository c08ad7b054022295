# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What each way to show another underlay would bring.
    module SwapJson
      # @param job [SheetTrace::Job]; underlay [SheetTrace::Fit::Underlay]
      def self.call(job, underlay)
        swap = SheetTrace::Fit::Swap
        shown = job.backdrop.underlay
        kept = underlay.with(box: swap.kept_box(shown, underlay, job.sheet))
        before = shown&.size_px
        { size_px: underlay.size_px, former_px: before, same: before.nil? || before == underlay.size_px, stretch: swap.stretch(underlay.with(box: [0.0, 0.0, 1.0, 1.0]), job.sheet),
          lost: swap.lost(kept), kept_box: kept.box, followers: shown.equal?(underlay) ? 0 : swap.followers(job.layout, shown, underlay).size }
      end
    end
  end
end
