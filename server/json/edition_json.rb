# frozen_string_literal: true

module SheetTraceServer
  module Json
    # An edition and its layers, the lowest first.
    module EditionJson
      # @param job [SheetTrace::Job]
      # @param pictures [Array<Hash>] rows of pictures
      # @return [Hash]
      def self.call(job, pictures)
        edition = job.edition
        by_digest = pictures.to_h { |picture| [picture[:digest], picture] }
        { name: edition.name, bleed_px: edition.bleed_px, layers: edition.layers.map { |layer| layer_json(job, layer, by_digest[layer.picture]) } }
      end

      def self.layer_json(job, layer, picture)
        { id: layer.id, kind: layer.kind, name: layer.name, picture: layer.picture, visible: layer.visible, opacity: layer.opacity, material: layer.material,
          place: layer.place && place_json(job, layer.place, picture) }
      end

      def self.place_json(job, place, picture)
        height_mm = place.width_mm * picture[:height_px] / picture[:width_px]
        frame = SheetTrace::Artwork::LabelFrame.call(place, height_mm: height_mm, flat_map: job.flat_map(place.island), layout: job.layout)
        { island: place.island, width_mm: place.width_mm, height_mm: height_mm, x_mm: place.x_mm, y_mm: place.y_mm,
          turn_deg: place.turn_rad * 180 / Math::PI, frame_px: frame.corners_px, mm_per_px: frame.mm_per_px }
      end
      private_class_method :layer_json, :place_json
    end
  end
end
