# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Which islands would go into which cells, the surest first.
    module ProposalsJson
      shape = Shape
      ASSIGNMENT = Shape.new("Assignment") { |value| value.is_a?(Hash) ? nil : "is no assignment" }
      PROPOSAL =
        Shape::Record.new(
          "Proposal",
          islands: shape::NUMBER.list,
          cells: shape::NUMBER.list,
          turn_deg: shape::NUMBER,
          mirrored: shape::FLAG,
          confidence: shape::NUMBER,
          reasons: [shape::NUMBER.by_name, "0 to 1 each"],
          assignments: [ASSIGNMENT.list, "what set_into_cells takes"]
        )
      SHAPE = Shape::Record.new("Proposals", proposals: PROPOSAL.list)
      SHAPES = [PROPOSAL, SHAPE].freeze

      # @param proposals [Array<SheetTrace::Fit::Match::Proposal>]
      def self.call(proposals)
        rounded = ->(radians) { (radians * 180 / Math::PI).round }
        {
          proposals:
            proposals.map do |proposal|
              {
                **proposal.to_h.slice(:islands, :cells, :mirrored, :confidence, :reasons),
                turn_deg: rounded.call(proposal.turn_rad),
                assignments:
                  proposal.assignments.map do |part|
                    { **part.except(:turn_rad), turn_deg: rounded.call(part[:turn_rad]) }
                  end
              }
            end
        }
      end
    end
  end
end
