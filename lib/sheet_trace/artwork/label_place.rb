# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Where a label sits on the surface, whatever the sheet looks like.
    #
    # island [Integer]; width_mm [Float] its height follows from the picture's proportions
    # x_mm, y_mm [Float] its middle, measured from the middle of the island: right and up as seen from outside
    # turn_rad [Float] clockwise; 0 is upright on the model
    LabelPlace = Struct.new(:island, :width_mm, :x_mm, :y_mm, :turn_rad, keyword_init: true) do
      def initialize(island:, width_mm:, x_mm: 0.0, y_mm: 0.0, turn_rad: 0.0)
        super
        freeze
      end

      # @return [LabelPlace] with some members changed
      def with(**changes) = self.class.new(**to_h, **changes)
    end
  end
end
