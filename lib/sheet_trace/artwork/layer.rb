# frozen_string_literal: true

module SheetTrace
  module Artwork
    # One layer of the stack. Immutable.
    #
    # id [String] unique in the stack; name [String]
    # content [Object] of a class of CONTENTS; place [Object] of a class of PLACES; look [Look]
    Layer =
      Struct.new(:id, :name, :content, :place, :look, keyword_init: true) do
        def initialize(look: Look.new, **rest)
          super
          freeze
        end

        # @return [Layer] with some members changed
        def with(**changes) = self.class.new(**to_h, **changes)

        # @return [Layer] with another content; letters keep their size
        def showing(other)
          return with(content: other) unless content.width_em && other.width_em && place.width_mm

          with(content: other, place: place.with(width_mm: place.width_mm * other.width_em / content.width_em))
        end

        # @param job [Object] Job
        # @return [Float, nil] px of its picture to a texel of the sheet; nil where it has none, or says no size
        def picture_px_per_texel(job)
          return unless content.is_a?(Contents::Picture) && place.width_mm

          density = place.density_px_per_mm(job, content)
          content.width_px / (place.width_mm * density) if density&.positive?
        end

        # @return [Boolean] whether there is something to see of it
        def shown? = look.visible && look.opacity.positive?

        # @return [Hash] plain values
        def to_plain
          {
            id: id,
            name: name,
            content: KindOf.to_document(CONTENTS, content),
            place: KindOf.to_document(PLACES, place),
            look: look.to_plain
          }
        end

        # @param plain [Hash] as .to_plain gives, with symbols for keys
        # @return [Layer]
        def self.from_plain(plain)
          new(
            id: plain[:id],
            name: plain[:name],
            content: KindOf.from_document(CONTENTS, plain[:content]),
            place: KindOf.from_document(PLACES, plain[:place]),
            look: Look.from_plain(plain[:look])
          )
        end
      end
  end
end
