# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The list of jobs, the last changed first.
    module JobsJson
      SHAPE = Shape::Record.new("Jobs", jobs: Shapes::JOB_CARD.list)
      SHAPES = [SHAPE].freeze

      # @param rows [Array<Hash>] of jobs
      def self.call(rows) = { jobs: rows.map { |row| row.merge(updated_at: row[:updated_at].iso8601) } }
    end
  end
end
