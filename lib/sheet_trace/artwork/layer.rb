# frozen_string_literal: true

module SheetTrace
  module Artwork
    # One layer of an edition: a picture, and where it goes. Immutable.
    #
    # id [String] unique within the edition; kind [String] a name of LAYER_KINDS; name [String]
    # picture [String] digest of the image file's bytes
    # visible [Boolean]; opacity [Float] 0 to 1
    # place [LabelPlace, nil] where a label sits; nil for a skin, which covers the sheet
    # material [Integer, nil] the one material whose faces a skin shows on; nil for all
    Layer = Struct.new(:id, :kind, :name, :picture, :visible, :opacity, :place, :material, keyword_init: true) do
      def initialize(visible: true, opacity: 1.0, place: nil, material: nil, **rest)
        super
        freeze
      end

      # @return [Layer] with some members changed
      def with(**changes) = self.class.new(**to_h, **changes)

      # @return [Hash] plain values
      def to_plain = to_h.merge(place: place&.to_h)

      # @param plain [Hash] as .to_plain gives, with symbols for keys
      # @return [Layer]
      def self.from_plain(plain) = new(**plain, place: plain[:place] && LabelPlace.new(**plain[:place]))
    end
  end
end
