# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # One colour.
      class Fill < Kept
        color :color, "#rrggbb"

        # @return [Float] width over height, for places that ask
        def aspect = 1.0

        # @param frame [Frame]
        # @return [Patch]
        def paint(frame, _canvas)
          alpha = Numo::UInt8.new(frame.height_px * frame.width_px).fill(frame.straight? ? 255 : 0)
          alpha[frame.texels] = Numo::UInt8.cast((frame.coverage * 255).round) unless frame.straight?
          pixels = Numo::UInt8.zeros(alpha.size, 4)
          Drawing::Color
            .parse(color)
            .to_a
            .first(3)
            .each_with_index { |share, band| pixels[true, band] = (share * 255).round }
          pixels[true, 3] = alpha
          frame.patch(Patch.image(pixels, frame.width_px, frame.height_px))
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = "Fill"

        # @return [String] in words
        def to_words = color
      end
    end
  end
end
