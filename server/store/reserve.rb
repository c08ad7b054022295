# frozen_string_literal: true

require "fileutils"
require_relative "failures"

module SheetTraceServer
  module Store
    # Room on the disk that is held back: to delete a job from a full disk takes some at first.
    class Reserve
      BYTES = 4 * 1_048_576
      private_constant :BYTES

      # @param database [String] path of the file of the jobs
      def initialize(database)
        @path = "#{database}-reserve"
      end

      # Holds the room, if it is not held and there is any.
      def hold
        File.binwrite(@path, "\0" * BYTES) unless File.exist?(@path)
      rescue SystemCallError
        FileUtils.rm_f(@path) # there is no room to hold back
      end

      # Does something that must go on a full disk too.
      #
      # @raise [Unusable]
      def lent
        yield
      rescue Unusable => e
        raise unless e.code == :full && File.exist?(@path)

        File.delete(@path)
        yield.tap { hold }
      end
    end
  end
end
