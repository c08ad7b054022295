# frozen_string_literal: true

module SheetTraceServer
  module Json
    # One attempt at packing, to be chosen from.
    module PackingJson
      # @param job [SheetTrace::Job]
      # @param result [SheetTrace::Layout::Pack::Result]
      # @return [Hash]
      def self.call(job, attempt, result)
        layout = result.layout
        { attempt: attempt, share_used: result.share_used, density_px_per_mm: job.with(layout: layout).density_px_per_mm, sheet: job.sheet.to_h,
          lines: LinesJson.call(SheetTrace::Operations::Preview.outlines(layout, (0...layout.uv_map.island_count).to_a)) }
      end
    end
  end
end
