# frozen_string_literal: true

module SheetTrace
  module Artwork
    # One complete set of layers on a template. Immutable.
    #
    # name [String]; layers [Array<Layer>] the lowest first
    # bleed_px [Integer] how far art is carried past an island's edge, at the sheet's own size
    Edition = Struct.new(:name, :layers, :bleed_px, keyword_init: true) do
      def initialize(name: "First edition", layers: [], bleed_px: 4)
        super(name: name, layers: layers.freeze, bleed_px: bleed_px)
        freeze
      end

      # @return [Edition] with some members changed
      def with(**changes) = self.class.new(**to_h, **changes)

      # @param id [String]
      # @return [Layer, nil]
      def layer(id) = layers.find { |layer| layer.id == id }

      # @return [Hash{Integer => Array<Layer>}] layers that are set on islands, by island
      def labels = layers.select(&:place).group_by { |layer| layer.place.island }

      # @return [Edition] with one layer put in another's place
      def replace(layer) = with(layers: layers.map { |own| own.id == layer.id ? layer : own })
    end
  end
end
