# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What of a job's JSON differs from that of a revision that the page has: of thousands of islands a move changes
    # one.
    module JobChangeJson
      SHAPE =
        Shape::Record.new(
          "JobChange",
          since: [Shape::NUMBER, "the revision that the page has"],
          changed: [Shape::ANY.by_name, "members of Job that differ, but for islands"],
          islands: [IslandsJson::SHAPE.list, "those that differ, each by its index"]
        )
      SHAPES = [SHAPE].freeze

      # @param before [Hash]; after [Hash] as JobJson gives them, of one job
      # @return [Hash, nil] nil where islands came or went, so that all of it is to be told
      def self.call(before, after)
        return unless before[:islands].size == after[:islands].size

        changed = after.reject { |name, value| name == :islands || (before.key?(name) && before[name] == value) }
        islands = after[:islands].zip(before[:islands]).filter_map { |now, former| now unless now == former }
        { since: before[:revision], changed: changed, islands: islands }
      end
    end
  end
end
