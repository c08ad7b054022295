# frozen_string_literal: true

module SheetTraceServer
  module Store
    # Receivers, which are kept for all jobs.
    class Receivers
      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @return [Array<SheetTrace::Job::Receiver>] by their names
      def list
        @database[:receivers]
          .order(:name)
          .map do |row|
            settings = JSON.parse(row[:settings], symbolize_names: true)
            SheetTrace::Job::Receiver.of_plain({ name: row[:name], **settings })
          end
      end

      # @param receivers [Array<SheetTrace::Job::Receiver>] in the place of those of the same names
      def keep(receivers)
        rows =
          receivers.map(&:to_plain).map { |plain| { name: plain[:name], settings: JSON.generate(plain.except(:name)) } }
        @database.write { @database[:receivers].insert_conflict(:replace).multi_insert(rows) }
      end

      # @raise [Jobs::NotFound]
      def remove(name)
        removed = @database.write { @database[:receivers].where(name: name).delete }
        raise Jobs::NotFound, "there is no receiver of the name #{name}" if removed.zero?
      end
    end
  end
end
