# frozen_string_literal: true

module SheetTrace
  class Job
    module Parts
      # How far islands shall keep from each other, px.
      module GutterPx
        extend AsItIs

        def self.default = 8
      end
    end
  end
end
