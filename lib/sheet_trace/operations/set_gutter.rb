# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets how far islands shall keep from each other.
    class SetGutter < Operation
      whole :gutter_px, Job::GUTTER_PX, "at the sheet's own size"

      def call(job) = change(job.with(gutter_px: gutter_px), "Gutter wanted: #{job.gutter_px} -> #{gutter_px} px")
    end
  end
end
