# frozen_string_literal: true

module SheetTraceServer
  module Json
    # A font or a model that was brought in.
    module BroughtFileJson
      SHAPE = Shape::Record.new("BroughtFile", digest: Shape::TEXT)
      SHAPES = [SHAPE].freeze

      def self.call(digest) = { digest: digest }
    end
  end
end
