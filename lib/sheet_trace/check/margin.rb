# frozen_string_literal: true

module SheetTrace
  module Check
    # Islands on the sheet that lie nearer to its border than the margin that is planned.
    module Margin
      SLACK_PX = 1e-6
      private_constant :SLACK_PX

      # @param subject [Subject]
      # @return [Array<Finding>]
      def self.call(subject)
        margin = subject.plan.margin_px
        return [] unless margin.positive? && subject.islands.any?

        free = -subject.layout.beyond_sheet_px # to the nearest border, below 0 beyond it
        islands = (free < margin - SLACK_PX).where.to_a - subject.layout.islands_off_sheet
        return [] if islands.empty?

        [
          Finding.new(
            code: "margin",
            severity: "hint",
            message:
              "#{subject.name_list(islands)} #{islands.size == 1 ? "is" : "are"} closer to the sheet's border than the " \
                "margin of #{format("%g", margin)} px",
            meaning: "Bleed is cut off there, and a receiver that trims the sheet trims the art.",
            places: islands.map { |island| place(subject, island, [free[island], 0.0].max) },
            mend:
              Mend.new(label: "Fit all within the margin", operation: "fit_to_sheet", parameters: { margin_px: margin })
          )
        ]
      end

      def self.place(subject, island, free)
        Place.new(
          text: "#{subject.names[island]}: #{format("%.1f", free)} px",
          islands: [island],
          numbers: {
            free_px: free
          }
        )
      end
      private_class_method :place
    end
  end
end
