# frozen_string_literal: true

module SheetTrace
  module Artwork
    # What one flavour or team replaces in the one stack of layers. Immutable.
    #
    # name [String]; replaced [Hash{String => Hash}] layer's id => what is another there: content: [Object] as a whole,
    # or of the content picture: [PictureFile], text: [String], color: [String]; visible: [Boolean]
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

          layer.showing(content(layer, other)).with(
            look: layer.look.with(visible: other.fetch(:visible, layer.look.visible))
          )
        end

        # @param id [String] of a layer; member [Symbol] as .replaced has them
        # @param value [Object, nil] as in the stack again if nil
        # @return [Edition]
        def set(id, member, value)
          other = replaced.fetch(id, {}).except(member)
          other = { **other, member => value } unless value.nil?
          with(replaced: other.empty? ? replaced.except(id) : { **replaced, id => other })
        end

        # @param change [Hash] content: or visible:
        # @return [Edition] that replaces this of a layer too
        def replace(id, change) = with(replaced: { **replaced, id => { **replaced.fetch(id, {}), **change } })

        # @return [Edition] that replaces of another layer what it replaced of one; of none if nil
        def handed_over(id, heir)
          other = replaced[id]&.except(:visible)
          left = leave(id)
          other.nil? || other.empty? || heir.nil? ? left : left.with(replaced: { **left.replaced, heir => other })
        end

        # @return [Edition] that leaves a layer as it is
        def leave(id) = with(replaced: replaced.except(id))

        # @return [Hash] plain values
        def to_plain
          {
            name: name,
            replaced:
              replaced.transform_values do |other|
                other.to_h do |member, value|
                  [member, member == :content ? KindOf.to_document(CONTENTS, value) : plain(value)]
                end
              end
          }
        end

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        def self.from_plain(plain)
          replaced =
            plain[:replaced].to_h do |id, other|
              [id.to_s, other.to_h { |member, value| [member, read(member, value)] }]
            end
          new(name: plain[:name], replaced: replaced)
        end

        # @return [Object] a member's value as .replaced has it
        def self.read(member, value)
          case member
          when :content
            KindOf.from_document(CONTENTS, value)
          when :picture
            PictureFile.new(**value)
          else
            value
          end
        end
        private_class_method :read

        private

        def plain(value) = value.is_a?(PictureFile) ? value.to_h : value

        def content(layer, other)
          whole = other.fetch(:content, layer.content)
          own = other.slice(*whole.class.parameters.keys)
          own.empty? ? whole : whole.with(**own)
        end
      end
  end
end
