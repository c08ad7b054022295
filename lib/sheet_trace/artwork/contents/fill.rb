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
          rgb = Drawing::Color.parse(color).to_a.first(3).map { |share| (share * 255).round }
          px = Px.of(rgb)
          return frame.patch_of(frame.blank.fill(px)) if frame.straight?

          pixels = frame.blank
          pixels[frame.texels] = Px.faded(Numo::UInt32.new(frame.texels.size).fill(px), frame.coverage)
          frame.patch_of(pixels)
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = "Fill"

        # @return [String] in words
        def to_words = color
      end
    end
  end
end
