# frozen_string_literal: true

module SheetTrace
  class Job
    module Upgrade
      # From one flat document with skins and labels in one edition, to parts, and a stack of layers with editions.
      # Plans, kept maps and underlays may be
      # lacking: documents of version 2 were made before there were any.
      module FromVersion2
        # @return [Hash] version 3
        def self.call(document, blobs)
          parts = {
            source: document[:source],
            unit_mm: document[:unit_mm],
            layout: document.slice(:sheet, :surface, :placements),
            given_names: document[:given_names],
            given_tags: document[:given_tags],
            gutter_px: document[:gutter_px],
            plan: document[:plan] || Parts::Plan.default.to_h,
            fit_setup: document[:backdrop] || Parts::FitSetup.default.to_plain,
            drawn_seams: document[:seams],
            kept_maps: document.fetch(:kept_maps, []),
            artwork: artwork(document[:edition], blobs)
          }
          { version: 3, parts: parts }
        end

        def self.artwork(edition, blobs)
          {
            bleed_px: edition[:bleed_px],
            shown: 0,
            editions: [{ name: edition[:name], replaced: {} }],
            layers: edition[:layers].map { |layer| layer(layer, blobs) }
          }
        end

        # A picture's size was not kept with the layer: its file tells.
        def self.layer(layer, blobs)
          width, height = SheetTrace::Artwork::Picture.size_px(blobs.call(layer[:picture]), name: layer[:name])
          {
            id: layer[:id],
            name: layer[:name],
            content: {
              kind: "picture",
              digest: layer[:picture],
              name: layer[:name],
              width_px: width,
              height_px: height
            },
            place: layer[:place] ? { kind: "island", **layer[:place] } : { kind: "sheet" },
            look: {
              visible: layer[:visible],
              locked: false,
              opacity: layer[:opacity],
              blend: "normal",
              mask: layer[:material] ? { materials: [layer[:material]] } : {}
            }
          }
        end
        private_class_method :artwork, :layer
      end
    end
  end
end
