# frozen_string_literal: true

module SheetTrace
  class Job
    module Upgrade
      # Skins could not be held to the model, and there was no palette.
      module FromVersion3
        # @return [Hash] version 4
        def self.call(document, _blobs) = { version: 4, parts: { **document[:parts], painted_maps: [], palette: [] } }
      end
    end
  end
end
