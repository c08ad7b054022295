# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The cylinder or cone that fits a band, in model units.
    module BandJson
      # @param fit [SheetTrace::Flatten::FitBand::Shown]
      # @return [Hash]
      def self.call(fit)
        band = fit.band
        { kind: band.kind, axis: band.axis, origin: band.origin, radius: band.radius, half_angle_deg: Math.asin(band.slope.clamp(0, 1)) * 180 / Math::PI, error: band.error,
          low: fit.low, high: fit.high }
      end
    end
  end
end
