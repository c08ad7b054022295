# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The bands of the maps of figures, from the lowest up.
    module LegendsJson
      shape = Shape
      BAND =
        Shape::Record.new(
          "LegendBand",
          upto: [shape::NUMBER.or_null, "null for the last"],
          color: shape::TEXT,
          period_px: shape::NUMBER
        )
      SHAPE =
        Shape::Record.new(
          "Legends",
          **SheetTrace::Artwork::MeasureMap::KINDS.to_h { |kind, _bands| [kind.to_sym, BAND.list] }
        )
      SHAPES = [BAND, SHAPE].freeze

      # @return [Hash]
      def self.call = SheetTrace::Artwork::MeasureMap::KINDS.to_h { |kind, bands| [kind.to_sym, bands.map(&:to_h)] }
    end
  end
end
