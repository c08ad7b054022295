# frozen_string_literal: true

module SheetTrace
  class Job
    module Upgrade
      # Layers stood in no groups, and were blended by their values in sRGB; art had no mask, and jobs no fonts of their
      # own.
      module FromVersion5
        # @return [Hash] version 6
        def self.call(document, _blobs)
          parts = document[:parts]
          art = parts[:artwork] ? { artwork: { **parts[:artwork], groups: [], linear: false } } : {}
          { version: 6, parts: { **parts, mask: nil, fonts: [], **art } }
        end
      end
    end
  end
end
