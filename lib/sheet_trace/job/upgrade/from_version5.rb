# frozen_string_literal: true

module SheetTrace
  class Job
    module Upgrade
      # Until version 5 layers stood in no groups.
      module FromVersion5
        # @param document [Hash] with symbols for keys
        # @return [Hash]
        def self.call(document)
          parts = document[:parts]
          { **document, version: 6, parts: { **parts, artwork: { **parts[:artwork], groups: [] } } }
        end
      end
    end
  end
end
