# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # What another layer shows, in every edition: Stack#worn puts that in its place.
      class Same < Kept
        layer :of, "whose content it shows"

        # @return [Float] width over height, where the other layer is not looked at
        def aspect = 1.0

        # @return [String] what a layer of it is called if it is given no name
        def title = "Copy"

        # @return [String] in words
        def to_words = "as another layer"
      end
    end
  end
end
