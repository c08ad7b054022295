# frozen_string_literal: true

module SheetTrace
  class Job
    module Upgrade
      # Art had no relief, and it was not kept what was exported.
      module FromVersion4
        # @return [Hash] version 5
        def self.call(document, _blobs) = { version: 5, parts: { **document[:parts], relief: nil, exported: [] } }
      end
    end
  end
end
