# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What an operation would do to the sheet.
    module PreviewJson
      # @param preview [SheetTrace::Operations::Preview]
      # @return [Hash]
      def self.call(preview)
        measures = preview.job.measures
        islands = preview.islands.map { |island| { name: preview.job.island_names[island], **measures[island].to_h.slice(:stretch_mean, :stretch_worst) } }
        { description: preview.description, sheet: preview.job.sheet.to_h, lines: LinesJson.call(preview.lines_px), islands: islands }
      end
    end
  end
end
