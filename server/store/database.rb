# frozen_string_literal: true

require "sequel"

module SheetTraceServer
  module Store
    # Opens the one SQLite file that holds everything. A copy of it is a complete backup.
    module Database
      MIGRATIONS = File.join(__dir__, "migrations")
      private_constant :MIGRATIONS

      # @param path [String] of the file; made with its folder if there is none
      # @return [Sequel::Database]
      def self.open(path)
        FileUtils.mkdir_p(File.dirname(path))
        # Written through to the disk at every commit, so that what the screen calls saved is.
        database =
          Sequel.sqlite(
            path,
            timeout: 10_000,
            max_connections: 16,
            after_connect:
              lambda do |connection|
                connection.execute_batch(
                  "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON;"
                )
              end
          )
        Sequel.extension(:migration)
        Sequel::Migrator.run(database, MIGRATIONS)
        database
      end
    end
  end
end
