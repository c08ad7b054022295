# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Values of sRGB as light, and back.
    # Source: IEC 61966-2-1:1999, 5.2, the transfer functions.
    module LinearLight
      # @param share [Float] 0 to 1, of sRGB
      # @return [Float] 0 to 1, of light
      def self.of_share(share) = share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055)**2.4

      TABLE = Vips::Image.new_from_array([(0..255).map { |value| of_share(value / 255.0) * 255 }]).cast(:float)
      private_constant :TABLE

      # @param shares [Numo::DFloat] 0 to 1, of sRGB
      # @return [Numo::DFloat] 0 to 1, of light
      def self.shares_of_srgb(shares)
        bright = ((shares + 0.055) / 1.055)**2.4
        dark = (shares <= 0.04045).where
        bright.tap { bright[dark] = shares[dark] / 12.92 unless dark.empty? }
      end

      # @param shares [Numo::DFloat] 0 to 1, of light
      # @return [Numo::DFloat] 0 to 1, of sRGB
      def self.shares_to_srgb(shares)
        bright = ((shares**(1 / 2.4)) * 1.055) - 0.055
        dark = (shares <= 0.0031308).where
        bright.tap { bright[dark] = shares[dark] * 12.92 unless dark.empty? }
      end

      # @param image [Vips::Image] 8-bit sRGB
      # @return [Vips::Image] float, 0 to 255
      def self.of(image) = image.maplut(TABLE)

      # @param light [Vips::Image] float, 0 to 255
      # @return [Vips::Image] float, 0 to 255, of sRGB
      def self.to_srgb(light)
        share = light / 255.0
        bright = ((share**(1 / 2.4)) * 1.055) - 0.055
        (share <= 0.0031308).ifthenelse(share * 12.92, bright) * 255.0
      end
    end
  end
end
