# frozen_string_literal: true

require "fileutils"
require "sequel"
require_relative "../cancelled"
require_relative "failures"
require_relative "reserve"

module SheetTraceServer
  module Store
    # Opens the one SQLite file that holds everything. A copy of it is a complete backup.
    module Database
      MIGRATIONS = File.join(__dir__, "migrations")
      # Written through to the disk at every commit, so that what the screen calls saved is.
      SETTINGS = "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON;"
      # How long somebody else's writing is waited for: SQLite's own waiting would hold up all other threads.
      BUSY_S = 20
      private_constant :MIGRATIONS, :SETTINGS, :BUSY_S

      # @param path [String] of the file; made with its folder if there is none, and brought up to date
      # @return [Sequel::Database]
      # @raise [Unusable]
      def self.open(path)
        Unusable.told do
          FileUtils.mkdir_p(File.dirname(path))
          connect(path).tap do |database|
            bring_up_to_date(database)
            Reserve.new(path).hold
          end
        end
      end

      def self.bring_up_to_date(database)
        known = Dir[File.join(MIGRATIONS, "*.rb")].size
        raise Unusable, :newer if database.table_exists?(:schema_info) && database[:schema_info].get(:version) > known

        Sequel.extension(:migration)
        Sequel::Migrator.run(database, MIGRATIONS)
      end
      private_class_method :bring_up_to_date

      # @param path [String] of a file that is up to date
      # @return [Sequel::Database]
      def self.connect(path)
        database =
          Sequel.sqlite(
            path,
            timeout: 0,
            max_connections: 16,
            after_connect:
              lambda do |connection|
                connection.busy_handler { |count| wait_for_others(count) }
                connection.execute_batch(SETTINGS)
              end
          )
        database.extend(OneByOne)
      end

      def self.wait_for_others(count)
        sleep(0.005 + rand(0.01))
        count < BUSY_S / 0.01
      end
      private_class_method :wait_for_others

      # All that write to one file take turns in the order they came, whatever process they are in; a turn ends with
      # its process. SQLite itself lets those who wait look again at random, so that one may wait for long.
      module OneByOne
        # Writes all or nothing. Work that needs no turn - packing, reading pictures - is done before.
        #
        # @raise [Unusable]
        def write(&)
          Cancelled.held_off do
            Unusable.told do
              File.open("#{opts[:database]}-turn", File::RDWR | File::CREAT) do |turn|
                turn.flock(File::LOCK_EX)
                transaction(mode: :immediate, &)
              end
            end
          end
        end
      end
    end
  end
end
