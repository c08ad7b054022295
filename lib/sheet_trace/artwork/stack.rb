# frozen_string_literal: true

module SheetTrace
  module Artwork
    # The artwork of a job: one stack of layers, and the editions, each of which replaces some of them. Immutable.
    #
    # layers [Array<Layer>] the lowest first
    # bleed_px [Integer] how far art is carried past an island's edge, at the sheet's own size
    # editions [Array<Edition>] at least one; shown [Integer] of them
    Stack =
      Struct.new(:layers, :bleed_px, :editions, :shown, keyword_init: true) do
        def initialize(layers: [], bleed_px: 4, editions: [Edition.new(name: "First edition")], shown: 0)
          super(layers: layers.freeze, bleed_px: bleed_px, editions: editions.freeze, shown: shown)
          freeze
        end

        # @return [Stack] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Edition] the one shown
        def edition = editions[shown]

        # @param edition [Integer]
        # @return [Array<Layer>] the layers as an edition has them
        def worn(edition = shown) = layers.map { |layer| editions[edition].worn(layer) }

        # @param id [String]
        # @return [Layer, nil]
        def layer(id) = layers.find { |layer| layer.id == id }

        # @return [Hash{Integer => Array<Layer>}] layers that are set on islands, by island
        def on_islands = layers.select { |layer| layer.place.island }.group_by { |layer| layer.place.island }

        # @param id [String, nil] one that no other layer has; the next free one if nil
        # @return [Stack] with a layer on top
        # @raise [InputError] where: { id: }
        def add(id: nil, **layer)
          if id && self.layer(id)
            raise InputError.new("there is a layer #{id.inspect} already; give another id, or none", where: { id: id })
          end

          with(layers: layers + [Layer.new(id: id || free_id, **layer)])
        end

        # @return [Stack] with one layer put in another's place
        def replace(layer) = with(layers: layers.map { |own| own.id == layer.id ? layer : own })

        # @return [Stack] without a layer, and without what editions replace of it
        def remove(id)
          with(layers: layers.reject { |layer| layer.id == id }, editions: editions.map { |edition| edition.leave(id) })
        end

        # @return [Stack] with an edition in another's place
        def replace_edition(index, edition)
          with(editions: editions.each_with_index.map { |own, i| i == index ? edition : own })
        end

        # @param carry [Object] what becomes of islands and faces, as Job::Carry has it
        # @return [Stack] the same on another map
        def handed_on(carry)
          with(
            layers:
              layers.map do |layer|
                layer.with(
                  place: layer.place.handed_on(carry),
                  look: layer.look.with(mask: layer.look.mask.handed_on(carry))
                )
              end
          )
        end

        # @param from [Layout::Sheet]; to [Layout::Sheet]; added_px [Array(Numeric, Numeric)] to the left and above
        # @return [Stack] with what lies over the sheet as far from its corner in px
        def kept_px(from, to, added_px)
          with(layers: layers.map { |layer| layer.with(place: layer.place.kept_px(from, to, added_px)) })
        end

        # @return [Hash] plain values
        def to_plain
          { bleed_px: bleed_px, shown: shown, layers: layers.map(&:to_plain), editions: editions.map(&:to_plain) }
        end

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        def self.from_plain(plain)
          new(
            bleed_px: plain[:bleed_px],
            shown: plain[:shown],
            layers: plain[:layers].map { |layer| Layer.from_plain(layer) },
            editions: plain[:editions].map { |edition| Edition.from_plain(edition) }
          )
        end

        private

        # The number after the highest, so that none comes back while the stack holds later ones.
        def free_id = "layer-#{layers.filter_map { |layer| layer.id[/\Alayer-(\d+)\z/, 1]&.to_i }.max.to_i + 1}"
      end
  end
end
