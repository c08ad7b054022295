# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Blend functions that look at all three channels of a colour at once.
    # Source: W3C, "Compositing and Blending Level 1", 10.2 Non-separable blend modes.
    module NonSeparable
      MODES = %w[hue saturation color luminosity].freeze
      LUMINOSITY = [0.3, 0.59, 0.11].freeze
      private_constant :LUMINOSITY

      # @param backdrop [Vips::Image] 3 bands, float, 0 to 255; source [Vips::Image] the same size and kind
      # @param mode [String] of MODES
      # @return [Vips::Image] B(cb, cs), the same kind
      def self.call(backdrop, source, mode)
        case mode
        when "hue"
          with_luminosity(with_saturation(source, saturation(backdrop)), luminosity(backdrop))
        when "saturation"
          with_luminosity(with_saturation(backdrop, saturation(source)), luminosity(backdrop))
        when "color"
          with_luminosity(source, luminosity(backdrop))
        else
          with_luminosity(backdrop, luminosity(source))
        end
      end

      def self.luminosity(color) = color.bandsplit.zip(LUMINOSITY).map { |band, share| band * share }.reduce(:+)
      def self.least(color) = Vips::Image.bandrank(color.bandsplit, index: 0)
      def self.most(color) = Vips::Image.bandrank(color.bandsplit, index: 2)
      def self.saturation(color) = most(color) - least(color)

      # The least channel becomes 0 and the most the saturation; libvips gives 0 for x / 0.
      def self.with_saturation(color, saturation) = (color - least(color)) * (saturation / saturation(color))

      def self.with_luminosity(color, luminosity) = clipped(color + (luminosity - luminosity(color)))

      # Drawn in towards its luminosity, so that no channel lies beyond 0 and 255.
      def self.clipped(color)
        own = luminosity(color)
        low = least(color)
        high = most(color)
        from_own = color - own
        raised = (low < 0).ifthenelse((from_own * (own / (own - low))) + own, color)
        (high > 255).ifthenelse((from_own * (((own * -1) + 255) / (high - own))) + own, raised)
      end
      private_class_method :luminosity, :least, :most, :saturation, :with_saturation, :with_luminosity, :clipped
    end
  end
end
