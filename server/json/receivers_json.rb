# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Receivers as the front end has them.
    module ReceiversJson
      SHAPE =
        Shape::Record.new(
          "Receivers",
          receivers: Shape.new("Receiver[]") { |value| value.is_a?(Array) ? nil : "is no list" }
        )
      SHAPES = [SHAPE].freeze

      # @param receivers [Array<SheetTrace::Job::Receiver>]
      # @return [Hash]
      def self.call(receivers) = { receivers: receivers.map(&:to_plain) }
    end
  end
end
