# frozen_string_literal: true

module SheetTraceServer
  module Json
    # A font file that was brought in.
    module BroughtFontJson
      SHAPE = Shape::Record.new("BroughtFont", digest: Shape::TEXT)
      SHAPES = [SHAPE].freeze

      def self.call(digest) = { digest: digest }
    end
  end
end
