# frozen_string_literal: true

module SheetTrace
  module Fit
    # A place of a picture that islands can be set into. Immutable.
    #
    # name [String]; x, y, width, height [Integer] its box, px of the picture
    # outline [Array<Array(Integer, Integer)>, nil] corners of pixels round it, clockwise to the eye; nil where it is
    # the whole box
    # color [Array(Integer, Integer, Integer), nil] its mean, 0 to 255; flat [Boolean] whether it is of that one colour
    # shade [String, nil] "across" or "down" where its colour changes that way and not the other, as a gradient's
    Cell =
      Struct.new(:name, :x, :y, :width, :height, :outline, :color, :flat, :shade, keyword_init: true) do
        def initialize(outline: nil, color: nil, flat: false, shade: nil, **rest)
          super
          each(&:freeze)
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Cell] the same of a picture so much wider and higher, at whole px; its colours are not known
        def scaled(across, down)
          left, right = [x, x + width].map { |at| (at * across).round }
          top, bottom = [y, y + height].map { |at| (at * down).round }
          Cell.new(
            name: name,
            x: left,
            y: top,
            width: [right - left, 1].max,
            height: [bottom - top, 1].max,
            outline: outline&.map { |at_x, at_y| [(at_x * across).round, (at_y * down).round] }
          )
        end

        # @return [Array(Numeric, Numeric, Numeric, Numeric)] left, top, right, bottom
        def box = [x, y, x + width, y + height]

        # @return [Array<Array(Numeric, Numeric)>] corners round it
        def corners = outline || [[x, y], [x + width, y], [x + width, y + height], [x, y + height]]
      end
  end
end
