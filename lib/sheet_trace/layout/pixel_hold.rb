# frozen_string_literal: true

module SheetTrace
  class Layout
    # Holds places of the sheet to pixels: to their corners, which lie on whole px, or to their middles.
    module PixelHold
      OFFSETS = { "corners" => 0.0, "middles" => 0.5 }.freeze
      NAMES = OFFSETS.keys.freeze

      # @param places_px [Numo::DFloat, Float] any shape, px of the sheet
      # @param to [String, nil] corners or middles of pixels; nil holds to nothing
      # @return [Numo::DFloat, Float] of the same shape, px: each brought to the nearest
      def self.call(places_px, to) = to ? (places_px - OFFSETS.fetch(to)).round + OFFSETS.fetch(to) : places_px
    end
  end
end
