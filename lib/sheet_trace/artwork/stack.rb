# frozen_string_literal: true

module SheetTrace
  module Artwork
    # The artwork of a job: one stack of layers, and the editions, each of which replaces some of them. Immutable.
    #
    # layers [Array<Layer>] the lowest first
    # bleed_px [Integer] how far art is carried past an island's edge, at the sheet's own size
    # editions [Array<Edition>] at least one; shown [Integer] of them
    # linear [Boolean] whether layers are blended in linear light, not by their values in sRGB
    # groups [Array<Group>] each has layers, which stand beside each other
    Stack =
      Struct.new(:layers, :bleed_px, :editions, :shown, :groups, :linear, keyword_init: true) do
        def initialize(
          layers: [],
          bleed_px: 4,
          editions: [Edition.new(name: "First edition")],
          shown: 0,
          groups: [],
          linear: false
        )
          held = layers.map(&:group)
          groups = groups.select { |group| held.include?(group.name) }
          super(
            layers: layers.freeze,
            bleed_px: bleed_px,
            editions: editions.freeze,
            shown: shown,
            groups: groups.freeze,
            linear: linear
          )
          freeze
        end

        # @return [Stack] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Edition] the one shown
        def edition = editions[shown]

        # @param edition [Integer]
        # @return [Array<Layer>] the layers as an edition has them
        def worn(edition = shown) = following(layers.map { |layer| editions[edition].worn(layer) })

        # @param edition [Integer]; guides [Boolean] with what is only seen at work
        # @return [Array<Layer>] what there is to be seen of an edition, groups looked at
        def seen(edition = shown, guides: false)
          worn(edition)
            .reject { |layer| layer.content.guide? && !guides }
            .map { |layer| group_of(layer)&.on(layer) || layer }
            .select(&:shown?)
        end

        # @return [Group, nil]
        def group_of(layer) = groups.find { |group| group.name == layer.group }

        # @return [Boolean] whether a layer may not be changed, by itself or with its group
        def locked?(layer) = layer.look.locked || group_of(layer)&.locked || false

        # @return [Array<Layer>] the layers, with what others show in the place of Contents::Same
        def resolved = following(layers)

        # @param id [String]
        # @return [Layer, nil]
        def layer(id) = layers.find { |layer| layer.id == id }

        # @return [Hash{Integer => Array<Layer>}] layers that are set on islands, by island
        def on_islands
          layers.flat_map(&:leaves).select { |layer| layer.place.island }.group_by { |layer| layer.place.island }
        end

        # @return [Array<String>] names of the layouts that skins were painted on, in any edition
        def painted_on
          others = editions.flat_map { |edition| edition.replaced.values.filter_map { |other| other[:content] } }
          merged = others.grep(Contents::Merged).flat_map(&:layers)
          (layers + merged).flat_map(&:leaves).filter_map { |layer| layer.place.to_h[:painted_on] }
        end

        # @param id [String, nil] one that no other layer has; the next free one if nil
        # @return [Stack] with a layer on top
        # @raise [InputError] where: { id: }
        def add(id: nil, **layer)
          if id && self.layer(id)
            raise InputError.new("there is a layer #{id.inspect} already; give another id, or none", where: { id: id })
          end

          with(layers: layers + [Layer.new(id: id || free_id, **layer)])
        end

        # @return [Stack] with one layer put in another's place; the letters of those that show what it shows keep their
        #   size
        def replace(layer)
          former = self.layer(layer.id).content
          with(
            layers:
              layers.map do |own|
                next layer if own.id == layer.id

                if follows?(own, layer.id)
                  own.with(content: former).showing(layer.content).with(content: own.content)
                else
                  own
                end
              end
          )
        end

        # Puts layers together below the highest of them, in the order that they have.
        #
        # @param ids [Array<String>]; name [String] of the group; one that there is gets them too
        # @return [Stack]
        def grouped(ids, name)
          own = layers.select { |layer| ids.include?(layer.id) || layer.group == name }
          at = layers.index(own.last) - own.size + 1
          with(
            layers: (layers - own).insert(at, *own.map { |layer| layer.with(group: name) }),
            groups: groups.map(&:name).include?(name) ? groups : groups + [Group.new(name: name)]
          )
        end

        # @return [Stack] with a layer at another place of the order: in the group whose layers are below and above it,
        #   in its own where it is at the end of that, else in none
        def moved(id, to)
          layer = self.layer(id)
          rest = layers - [layer]
          beside = [to.positive? ? rest[to - 1] : nil, rest[to]].map { |own| own&.group }
          group = beside.uniq.one? ? beside.first : beside.compact.find { |name| name == layer.group }
          with(layers: rest.insert(to, layer.with(group: group)))
        end

        # @return [Stack] without a layer, and without what editions replace of it
        def remove(id)
          left = layers.reject { |layer| layer.id == id }
          heir = left.find { |layer| follows?(layer, id) }
          left = left.map { |layer| follows?(layer, id) ? taken_over(layer, heir, id) : layer }
          with(layers: left, editions: editions.map { |edition| edition.handed_over(id, heir&.id) })
        end

        # @return [Stack] with an edition in another's place
        def replace_edition(index, edition)
          with(editions: editions.each_with_index.map { |own, i| i == index ? edition : own })
        end

        # @param carry [Object] what becomes of islands and faces, as Job::Carry has it
        # @return [Stack] the same on another map
        def handed_on(carry)
          with(layers: layers.map { |layer| layer.handed_on(carry) })
        end

        # @param from [Layout::Sheet]; to [Layout::Sheet]; added_px [Array(Numeric, Numeric)] to the left and above
        # @return [Stack] with what lies over the sheet as far from its corner in px
        def kept_px(from, to, added_px)
          with(layers: layers.map { |layer| layer.kept_px(from, to, added_px) })
        end

        # @return [Hash] plain values
        def to_plain
          {
            bleed_px: bleed_px,
            shown: shown,
            layers: layers.map(&:to_plain),
            editions: editions.map(&:to_plain),
            groups: groups.map(&:to_h),
            linear: linear
          }
        end

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        def self.from_plain(plain)
          new(
            bleed_px: plain[:bleed_px],
            shown: plain[:shown],
            layers: plain[:layers].map { |layer| Layer.from_plain(layer) },
            editions: plain[:editions].map { |edition| Edition.from_plain(edition) },
            groups: plain[:groups].map { |group| Group.new(**group) },
            linear: plain[:linear]
          )
        end

        private

        def follows?(layer, id) = layer.content.is_a?(Contents::Same) && layer.content.of == id

        # The first that showed what a layer showed has it now, and the others show what that one shows.
        def taken_over(layer, heir, id)
          layer.with(content: layer.equal?(heir) ? self.layer(id).content : Contents::Same.new(of: heir.id))
        end

        # Letters keep the size that they have where they are: what another layer's grow by, these grow by too.
        def following(own)
          sources = own.to_h { |layer| [layer.id, layer] }
          own.map do |layer|
            source = layer.content.is_a?(Contents::Same) && sources[layer.content.of]
            source ? layer.with(content: self.layer(source.id).content).showing(source.content) : layer
          end
        end

        # The number after the highest, so that none comes back while the stack holds later ones.
        def free_id = "layer-#{layers.filter_map { |layer| layer.id[/\Alayer-(\d+)\z/, 1]&.to_i }.max.to_i + 1}"
      end
  end
end
