# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What was done, where no job is shown anew.
    module DoneJson
      SHAPE = Shape::Record.new("Done", sentence: Shape::TEXT)
      SHAPES = [SHAPE].freeze

      def self.call(sentence) = { sentence: sentence }
    end
  end
end
