# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # Names of islands given by hand.
      module GivenNames
        extend ByIsland

        def self.word = "name"

        # Where an island was parted, one piece has the name.
        def self.handed_on(value, carry) = super.uniq(&:last).to_h
      end
    end
  end
end
