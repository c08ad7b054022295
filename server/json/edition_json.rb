# frozen_string_literal: true

module SheetTraceServer
  module Json
    # An edition and its layers, the lowest first.
    module EditionJson
      # @param edition [SheetTrace::Artwork::Edition]
      # @param pictures [Array<Hash>] rows of pictures
      # @return [Hash]
      def self.call(edition, pictures)
        by_digest = pictures.to_h { |picture| [picture[:digest], picture] }
        { name: edition.name, bleed_px: edition.bleed_px, layers: edition.layers.map { |layer| layer_json(layer, by_digest[layer.picture]) } }
      end

      def self.layer_json(layer, picture)
        { id: layer.id, kind: layer.kind, name: layer.name, picture: layer.picture, visible: layer.visible, opacity: layer.opacity,
          place: layer.place && place_json(layer.place, picture) }
      end

      def self.place_json(place, picture)
        { island: place.island, width_mm: place.width_mm, height_mm: place.width_mm * picture[:height_px] / picture[:width_px],
          x_mm: place.x_mm, y_mm: place.y_mm, turn_deg: place.turn_rad * 180 / Math::PI }
      end
      private_class_method :layer_json, :place_json
    end
  end
end
