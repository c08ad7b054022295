# frozen_string_literal: true

module SheetTrace
  module Fit
    # What islands are fitted to: pictures, of which one is shown at a time, and landmarks. Immutable.
    #
    # underlays [Array<Underlay>]; shown [Integer, nil] of them; landmarks [Array<Landmark>]
    # inset_px [Numeric] how far islands shall stay inside their cells
    # assigned [Array<Integer>, nil] islands that were set into cells; nil where that is not known, as in documents from
    # before it was kept
    Setup =
      Struct.new(:underlays, :shown, :landmarks, :inset_px, :assigned, keyword_init: true) do
        def initialize(underlays: [], shown: nil, landmarks: [], inset_px: 0, assigned: [])
          super
          each(&:freeze)
          freeze
        end

        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Underlay, nil] the one shown
        def underlay = shown && underlays[shown]

        # @return [Array<Cell>] of the underlay shown
        def cells = underlay ? underlay.cells : []

        # @return [Setup] with one underlay in another's place
        def replace(index, underlay)
          with(underlays: underlays.each_with_index.map { |own, i| i == index ? underlay : own })
        end

        # @return [Hash] plain values
        def to_plain = to_h.merge(underlays: underlays.map(&:to_plain), landmarks: landmarks.map(&:to_h))

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        # @return [Setup]
        def self.from_plain(plain)
          new(
            assigned: nil,
            **plain,
            underlays: plain[:underlays].map { |entry| Underlay.from_plain(entry) },
            landmarks: plain[:landmarks].map { |entry| Landmark.new(**entry) }
          )
        end
      end
  end
end
