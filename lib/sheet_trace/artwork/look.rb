# frozen_string_literal: true

module SheetTrace
  module Artwork
    # How a layer is laid over what is below it. Immutable.
    #
    # visible, locked [Boolean]; opacity [Float] 0 to 1; blend [String] of Blend::MODES; mask [Mask] what it shows on
    Look =
      Struct.new(:visible, :locked, :opacity, :blend, :mask, keyword_init: true) do
        def initialize(visible: true, locked: false, opacity: 1.0, blend: "normal", mask: Mask.new)
          super
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)
        def to_plain = { **to_h, mask: mask.to_h.compact }

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        def self.from_plain(plain) = new(**plain, mask: Mask.new(**plain[:mask]))
      end
  end
end
