# frozen_string_literal: true

module SheetTraceServer
  module Json
    # Which islands layers lie on, and what hides them.
    module ReachJson
      shape = Shape
      LAYER =
        Shape::Record.new(
          "LayerReach",
          id: [shape::TEXT, "of the layer"],
          islands: [shape::NUMBER.list, "that it has paint on"],
          covered: [shape::NUMBER, "share of its paint that is hidden"],
          under: [shape::TEXT.list, "ids of layers that hide some of it"]
        )
      SHAPE = Shape::Record.new("Reach", layers: LAYER.list)
      SHAPES = [LAYER, SHAPE].freeze

      # @param layers [Array<SheetTrace::Artwork::Reach::Of>]
      # @return [Hash]
      def self.call(layers) = { layers: layers.map(&:to_h) }
    end
  end
end
