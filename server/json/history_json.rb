# frozen_string_literal: true

module SheetTraceServer
  module Json
    # All states that a job was in, the last one first, and in what one of them differs from the present one.
    module HistoryJson
      shape = Shape
      STATE =
        Shape::Record.new(
          "PastState",
          revision: shape::NUMBER,
          number: [shape::NUMBER, "from 1"],
          what: [shape::TEXT, "what made it"],
          elsewhere: [shape::FLAG, "done by another page, or from a folder"],
          at: shape::TEXT,
          mark: [shape::TEXT.or_null, "name that was given to it"],
          shown: [shape::FLAG, "it is the present one"],
          undone: [shape::FLAG, "redo leads to it"]
        )
      SHAPE = Shape::Record.new("PastStates", states: STATE.list)
      DIFFERENCES = Shape::Record.new("Differences", lines: [shape::TEXT.list, "a sentence each"])
      SHAPES = [STATE, SHAPE, DIFFERENCES].freeze

      # @param rows [Array<Hash>] of revisions; shown [Hash] the present one; page [String, nil] that is told
      # @return [Hash]
      def self.call(rows, shown, page)
        {
          states:
            rows.map do |row|
              {
                revision: row[:id],
                number: row[:number],
                what: row[:description],
                elsewhere: row[:page] != page,
                at: row[:created_at].iso8601,
                mark: row[:mark],
                shown: row[:id] == shown[:id],
                undone: row[:number] > shown[:number]
              }
            end
        }
      end
    end
  end
end
