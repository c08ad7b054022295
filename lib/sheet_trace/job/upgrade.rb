# frozen_string_literal: true

module SheetTrace
  class Job
    # Brings the document of a job, as an earlier version of the program kept it, up to date: a small step for each
    # version.
    module Upgrade
      # version => what makes the next of it
      STEPS = {
        2 => ->(document, blobs) { FromVersion2.call(document, blobs) },
        3 => ->(document, blobs) { FromVersion3.call(document, blobs) },
        4 => ->(document, blobs) { FromVersion4.call(document, blobs) },
        5 => ->(document, blobs) { FromVersion5.call(document, blobs) }
      }.freeze
      OLDEST = STEPS.keys.min
      private_constant :STEPS, :OLDEST

      # @param document [Hash] with symbols for keys
      # @param blobs [#call] takes a digest, gives the bytes
      # @return [Hash] of Snapshot::VERSION
      # @raise [UnsupportedFeatureError] where: { version: }
      # @raise [FormatError] if it says no version that there is; where: { version: }
      def self.call(document, blobs)
        version = document[:version]
        if version.is_a?(Integer) && version > Snapshot::VERSION
          raise UnsupportedFeatureError.new(
                  "this job was saved by a newer Sheet Trace (document #{version}; up to #{Snapshot::VERSION} is " \
                    "read); open it with that one",
                  where: {
                    version: version
                  }
                )
        end
        unless version.is_a?(Integer) && version.between?(OLDEST, Snapshot::VERSION)
          raise FormatError.new(
                  "the job's document says it is of version #{version.inspect}; #{OLDEST} to #{Snapshot::VERSION} " \
                    "are read",
                  where: {
                    version: version
                  }
                )
        end

        (version...Snapshot::VERSION).reduce(document) { |so_far, number| STEPS.fetch(number).call(so_far, blobs) }
      end
    end
  end
end
