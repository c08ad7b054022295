# frozen_string_literal: true

module SheetTraceServer
  module Json
    # A job's exchange folder and what came of its files.
    module ExchangeJson
      shape = Shape
      FILE =
        Shape::Record.new(
          "ExchangedFile",
          path: [shape::TEXT, "within the folder"],
          state: shape.one_of(*Store::Exchanges::STATES),
          message: [shape::TEXT, "what came of it"],
          came_at: shape::TEXT
        )
      SHAPE =
        Shape::Record.new(
          "Exchange",
          folder: [shape::TEXT.or_null, "its path; null where there is none"],
          gone: [shape::FLAG, "it is not there any more"],
          files: FILE.list
        )
      SHAPES = [FILE, SHAPE].freeze

      # @param folder [String, nil]; files [Array<Hash>] rows
      # @return [Hash]
      def self.call(folder, files)
        {
          folder: folder,
          gone: !folder.nil? && !File.directory?(folder),
          files: files.map { |row| { **row.slice(:path, :state, :message), came_at: row[:came_at].iso8601 } }
        }
      end
    end
  end
end
