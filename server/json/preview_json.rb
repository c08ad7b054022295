# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What an operation would do to the sheet.
    module PreviewJson
      # @param preview [SheetTrace::Operations::Preview]
      # @return [Hash]
      def self.call(preview)
        measures = preview.job.measures
        { description: preview.description, sheet: preview.job.sheet.to_h, lines: LinesJson.call(preview.lines_px),
          islands: preview.islands.map do |island|
            { name: preview.job.island_names[island], stretch_mean: measures[island].stretch_mean, stretch_worst: measures[island].stretch_worst }
          end }
      end
    end
  end
end
