# frozen_string_literal: true

module SheetTraceServer
  module Store
    # The store can't be used; the message says why in one sentence, and what to do.
    class Unusable < StandardError
      # @return [Symbol] of WORDS
      attr_reader :code

      # What SQLite and the system say, in our words.
      WORDS = {
        full: "the disk is full or can't be written to, so nothing was kept; make room, and do it again",
        read_only: "the file of the jobs can't be written to; give this user the right to, and start again",
        damaged: "the file of the jobs is damaged or no database; put a backup of it in its place",
        newer: "the file of the jobs was written by a newer Sheet Trace; start that one",
        unreachable: "the file of the jobs can't be opened; look whether its folder is there and may be used"
      }.freeze
      CAUSES = {
        full: %w[SQLite3::FullException Errno::ENOSPC Errno::EDQUOT Errno::EFBIG SQLite3::IOException],
        read_only: %w[SQLite3::ReadOnlyException Errno::EROFS Errno::EACCES Errno::EPERM],
        damaged: %w[SQLite3::NotADatabaseException SQLite3::CorruptException],
        unreachable: %w[SQLite3::CantOpenException Errno::ENOENT Errno::ENOTDIR Errno::EEXIST]
      }.freeze
      private_constant :CAUSES

      # Does something with the store; what it or the system says is said in our words.
      #
      # @raise [Unusable]
      def self.told
        yield
      rescue Sequel::DatabaseError, SystemCallError => e
        cause = e.is_a?(Sequel::DatabaseError) ? e.wrapped_exception || e : e
        code, = CAUSES.find { |_code, names| names.include?(cause.class.name) }
        raise unless code

        raise new(code)
      end

      # @param code [Symbol] of WORDS
      def initialize(code)
        @code = code
        super(WORDS.fetch(code))
      end
    end

    # Something that a job consists of is not as it was kept.
    class Damaged < StandardError
    end
  end
end
