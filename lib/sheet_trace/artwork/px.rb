# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Px as one number each: red, green, blue and alpha, 0 to 255 each, from the lowest byte up.
    module Px
      COLOR_BITS = [0, 8, 16].freeze
      ALPHA_BITS = 24
      COLORS = (1 << ALPHA_BITS) - 1
      # Of what has all of its alpha, and more; of what has any, and more.
      OPAQUE = 255 << ALPHA_BITS
      LEAST_ALPHA = 1 << ALPHA_BITS

      # @param levels [Array(Integer, Integer, Integer)] red, green and blue, 0 to 255, or such arrays of n
      # @param alpha [Integer, Numo::UInt32] 0 to 255
      # @return [Integer, Numo::UInt32]
      def self.of(levels, alpha = 255)
        levels.zip(COLOR_BITS).map { |level, bits| level << bits }.reduce(:|) | (alpha << ALPHA_BITS)
      end

      # @param px [Numo::UInt32]
      # @return [Numo::UInt32] 0 to 255
      def self.alpha(px) = px >> ALPHA_BITS

      # @param px [Numo::UInt32] n
      # @param share [Numo::DFloat, Float] of their alpha that they keep, 0 to 1
      # @return [Numo::UInt32] n
      def self.faded(px, share)
        (px & COLORS) | (Numo::UInt32.cast((Numo::DFloat.cast(alpha(px)) * share).round) << ALPHA_BITS)
      end
    end
  end
end
