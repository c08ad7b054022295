# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # The length of a model unit, mm.
      module UnitMm
        extend AsItIs

        def self.default = 1.0
      end
    end
  end
end
