# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Layers that stand beside each other in the stack under one name. Immutable.
    #
    # name [String] unique in the stack; visible [Boolean]; locked [Boolean]; opacity [Float] 0 to 1
    Group =
      Struct.new(:name, :visible, :locked, :opacity, keyword_init: true) do
        def initialize(name:, visible: true, locked: false, opacity: 1.0)
          super
          freeze
        end

        # @return [Group] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        # @param layer [Layer] of the group
        # @return [Layer] as it is to be seen in it
        def on(layer)
          look = layer.look
          layer.with(look: look.with(visible: look.visible && visible, opacity: look.opacity * opacity))
        end
      end
  end
end
