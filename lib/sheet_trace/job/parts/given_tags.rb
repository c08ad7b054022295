# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Tags of islands other than "art".
      module GivenTags
        extend ByIsland

        def self.word = "tag"
      end
    end
  end
end
