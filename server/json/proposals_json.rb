# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Which islands would go into which cells, the surest first.
    module ProposalsJson
      # @param proposals [Array<SheetTrace::Fit::Match::Proposal>]
      def self.call(proposals)
        proposals.map do |one|
          { islands: one.islands, cells: one.cells, turn_deg: (one.turn_rad * 180 / Math::PI).round, mirrored: one.mirrored, confidence: one.confidence, reasons: one.reasons,
            assignments: one.assignments.map { |part| { **part.except(:turn_rad), turn_deg: (part[:turn_rad] * 180 / Math::PI).round } } }
        end
      end
    end
  end
end
