# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A baked layer: the part of the sheet that it has paint on.
    #
    # image [Vips::Image] 8-bit sRGB with alpha; left_px, top_px [Integer] where it lies on the sheet
    Patch = Struct.new(:image, :left_px, :top_px, keyword_init: true) do
      def initialize(image:, left_px: 0, top_px: 0)
        super
        freeze
      end
    end
  end
end
