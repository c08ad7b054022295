# frozen_string_literal: true

module SheetTrace
  class Layout
    # What is wanted of a layout, and outlasts packing: how dense islands shall be beside each other, which stay where
    # they are, and
    # what of the sheet is kept free.
    #
    # weights [Hash{Integer => Float}] density beside that of the others, by island; 1 where there is none
    # locked [Array<Integer>] islands; margin_px [Numeric] kept free along the sheet's border
    # reserved [Array<Array(Float, Float, Float, Float)>] left, top, width and height of rectangles kept free, px
    Plan =
      Struct.new(:weights, :locked, :reserved, :margin_px, keyword_init: true) do
        def initialize(weights: {}, locked: [], reserved: [], margin_px: 0)
          super
          each(&:freeze)
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Float]
        def weight(island) = weights.fetch(island, 1.0)

        # @param carry [Object] what becomes of islands, as Job::Carry has it
        # @return [Plan] the same of another map's islands
        def handed_on(carry)
          with(
            weights: carry.by_island(weights, "weight"),
            locked: carry.by_island(locked.to_h { |island| [island, true] }, "lock").keys
          )
        end
      end
  end
end
