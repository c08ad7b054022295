# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # Layers that have become one. They are kept as they are, and laid over each other at whatever size is asked for,
      # so that they can be parted again and nothing of them is lost.
      class Merged < Kept
        # Layers, the lowest first. They come of layers that there are, not out of JSON.
        class Layers < Parameters::Type
          def validate(value, label, _context)
            return value if value.is_a?(Array) && value.all?(Layer)

            raise InputError, "#{label} can't be given; lay layers over each other and merge them"
          end

          def to_plain(layers) = layers.map(&:name)
          def to_text = "layers that were merged"
          def typescript = "never"
          def validated_typescript = "string[]"
        end

        parameter :layers, Layers.new

        def to_document = { layers: layers.map(&:to_plain) }
        def self.from_document(plain) = new(layers: plain[:layers].map { |layer| Layer.from_plain(layer) })

        # @return [Float] width over height, for places that ask
        def aspect = 1.0

        # @return [Array<PictureFile>] that it shows
        def pictures = layers.flat_map { |layer| layer.content.pictures }

        # @param carry [Object] as Job::Carry has it
        # @return [Merged] on another map
        def handed_on(carry) = with(layers: layers.map { |layer| layer.handed_on(carry) })

        # @return [Merged] on a sheet that has grown or shrunk
        def kept_px(*change) = with(layers: layers.map { |layer| layer.kept_px(*change) })

        # @return [Boolean] whether it can lie nowhere else
        def whole_sheet? = true

        # @param canvas [Canvas]
        # @return [Array] what of the layout it depends on
        def dependencies(canvas)
          [canvas.linear, *layers.flat_map { |layer| dependencies_of(layer, canvas) }]
        end

        # Without bleed: what they make is carried on as one.
        #
        # @param frame [Frame] of the whole sheet
        # @return [Patch]
        def paint(frame, canvas)
          pixels = Compose.of_layers(layers, canvas)
          frame.patch_of(Geometry::Take.call(pixels, *frame.part.seen_from(canvas.wanted).ranges))
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = layers.last.name

        # @return [String] in words
        def to_words = "#{layers.map(&:name).join(" on ")}, merged"

        private

        def dependencies_of(layer, canvas)
          own = [*layer.place.dependencies(canvas, layer.content), *layer.content.dependencies(canvas)]
          layer.look.mask.whole? ? own : [*own, canvas.layout]
        end
      end
    end
  end
end
