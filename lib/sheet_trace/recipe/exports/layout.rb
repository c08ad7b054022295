# frozen_string_literal: true

module SheetTrace
  class Recipe
    module Exports
      # The layout as a file that load_layout takes.
      module Layout
        extend Parameters

        text :file, "path to write", longest: 1000

        # @return [Hash{String => String}] path => bytes
        def self.call(job, file:, **) = { file => Formats::LayoutFile.write(job.layout) }
      end
    end
  end
end
