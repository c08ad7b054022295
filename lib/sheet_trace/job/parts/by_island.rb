# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # What a part does of itself where it says something of single islands: a hash by island.
      module ByIsland
        def default = {}
        def pack(value, _packing) = value
        def unpack(plain, _unpacking) = ByIsland.numbered(plain)
        def handed_on(value, carry) = carry.by_island(value, word)

        # JSON has text for keys.
        def self.numbered(plain) = plain.transform_keys { |island| island.to_s.to_i }
      end
    end
  end
end
