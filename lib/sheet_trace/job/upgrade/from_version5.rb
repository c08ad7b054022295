# frozen_string_literal: true

module SheetTrace
  class Job
    module Upgrade
      # Until version 5 layers stood in no groups, and were blended by their values in sRGB;
      # art had no mask, and jobs no fonts of their own.
      module FromVersion5
        # @param document [Hash] with symbols for keys
        # @return [Hash]
        def self.call(document)
          parts = document[:parts]
          {
            **document,
            version: 6,
            parts: {
              **parts,
              mask: nil,
              fonts: [],
              artwork: {
                **parts[:artwork],
                groups: [],
                linear: false
              }
            }
          }
        end
      end
    end
  end
end
