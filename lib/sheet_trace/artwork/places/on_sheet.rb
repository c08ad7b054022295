# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # The whole sheet: the content is stretched over it, and islands move beneath.
      class OnSheet < Kept
        # @param canvas [Canvas]
        # @return [Frame]
        def frame(canvas, _content)
          Frame.new(left_px: 0, top_px: 0, width_px: canvas.size.width_px, height_px: canvas.size.height_px)
        end

        # @return [Array] what of a layout a bake depends on, beside the place itself
        def dependencies(_layout) = []

        # @return [Integer, nil] the one island it lies on
        def island = nil

        # @return [OnSheet] the same on another map
        def handed_on(_carry) = self

        # @return [String] in words
        def to_words(_job, _content) = "over the sheet"
      end
    end
  end
end
