# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What would become of a job with a revised model.
    module RevisedJson
      shape = Shape
      SHAPE =
        Shape::Record.new(
          "RevisedModel",
          sentence: shape::TEXT,
          kept: [shape::NUMBER, "faces that are as they were"],
          moved: shape::NUMBER,
          added: shape::NUMBER,
          lost: shape::NUMBER,
          lines: [shape::TEXT.list, "what else differs, a sentence each"]
        )
      SHAPES = [SHAPE].freeze

      # @param change [SheetTrace::Operations::Operation::Change]
      # @return [Hash]
      def self.call(change) = { sentence: change.sentence, **change.facts.slice(:kept, :moved, :added, :lost, :lines) }
    end
  end
end
