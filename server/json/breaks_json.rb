# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Rules of a receiver that a delivery would break.
    module BreaksJson
      shape = Shape
      BREAK = Shape::Record.new("RuleBreak", rule: shape::TEXT, message: shape::TEXT, cure: shape::TEXT)
      SHAPE = Shape::Record.new("RuleBreaks", breaks: BREAK.list)
      SHAPES = [BREAK, SHAPE].freeze

      # @param breaks [Array<SheetTrace::Job::ReceiverRules::Break>]
      # @return [Hash]
      def self.call(breaks) = { breaks: breaks.map(&:to_h) }
    end
  end
end
