# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Colours of a picture.
    module ColorsJson
      SHAPE = Shape::Record.new("MainColors", colors: [Shape::TEXT.list, "#rrggbb, what takes up most of it first"])
      SHAPES = [SHAPE].freeze

      # @param colors [Array<String>]
      # @return [Hash]
      def self.call(colors) = { colors: colors }
    end
  end
end
