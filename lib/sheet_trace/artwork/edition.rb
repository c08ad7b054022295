# frozen_string_literal: true

module SheetTrace
  module Artwork
    # What one flavour or team replaces in the one stack of layers. Immutable.
    #
    # name [String]; replaced [Hash{String => Hash}] layer's id => what is another there: content: [Object], visible:
    # [Boolean]
    Edition =
      Struct.new(:name, :replaced, keyword_init: true) do
        def initialize(name:, replaced: {})
          super(name: name, replaced: replaced.transform_values(&:freeze).freeze)
          freeze
        end

        # @return [Edition] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        # @param layer [Layer] of the stack
        # @return [Layer] as it is in this edition
        def worn(layer)
          other = replaced[layer.id] or return layer

          layer.showing(other.fetch(:content, layer.content)).with(
            look: layer.look.with(visible: other.fetch(:visible, layer.look.visible))
          )
        end

        # @param change [Hash] content: or visible:
        # @return [Edition] that replaces this of a layer too
        def replace(id, change) = with(replaced: { **replaced, id => { **replaced.fetch(id, {}), **change } })

        # @return [Edition] that leaves a layer as it is
        def leave(id) = with(replaced: replaced.except(id))

        # @return [Hash] plain values
        def to_plain
          {
            name: name,
            replaced:
              replaced.transform_values do |other|
                other[:content] ? { **other, content: KindOf.to_document(CONTENTS, other[:content]) } : other
              end
          }
        end

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        def self.from_plain(plain)
          replaced =
            plain[:replaced].to_h do |id, other|
              [id.to_s, other[:content] ? { **other, content: KindOf.from_document(CONTENTS, other[:content]) } : other]
            end
          new(name: plain[:name], replaced: replaced)
        end
      end
  end
end
