# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The cylinder or cone that fits a band, in model units.
    module BandJson
      shape = Shape
      SHAPE =
        Shape::Record.new(
          "Band",
          kind: shape.one_of("cylinder", "cone"),
          axis: shape::TRIPLE,
          origin: [shape::TRIPLE, "the apex of a cone"],
          radius: shape::NUMBER.or_null,
          half_angle_deg: shape::NUMBER,
          error: [shape::NUMBER, "how far the surface lies from it, as a share of the band's size"],
          low: [shape::TRIPLE, "an end of the axis beside the band"],
          high: shape::TRIPLE
        )
      SHAPES = [SHAPE].freeze

      # @param fit [SheetTrace::Flatten::FitBand::Shown]
      # @return [Hash]
      def self.call(fit)
        band = fit.band
        {
          kind: band.kind,
          axis: band.axis,
          origin: band.origin,
          radius: band.radius,
          half_angle_deg: Math.asin(band.slope.clamp(0, 1)) * 180 / Math::PI,
          error: band.error,
          low: fit.low,
          high: fit.high
        }
      end
    end
  end
end
