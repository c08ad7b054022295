# frozen_string_literal: true

module SheetTrace
  module Formats
    module OpenRaster
      # Writes layers as OpenRaster.
      # Source: OpenRaster 0.0.6 specification (freedesktop.org): mimetype first and stored, stack.xml, data, merged
      #   image and thumbnail.
      module Writer
        MIMETYPE = "image/openraster"
        THUMBNAIL_PX = 256
        private_constant :MIMETYPE, :THUMBNAIL_PX

        # name [String]; image [Vips::Image] 8-bit sRGB with alpha, as large as the whole
        # blend [String] of SVG's compositing operators; locked [Boolean]; opacity [Float]
        Layer =
          Struct.new(:name, :image, :blend, :locked, :opacity, keyword_init: true) do
            def initialize(blend: "svg:src-over", locked: false, opacity: 1.0, **rest)
              super
            end
          end

        # @param layers [Array<Layer>] the upper ones first
        # @param merged [Vips::Image] all of them together, opaque
        # @param px_per_mm [Float, nil]; label [Label, nil]
        # @return [String]
        def self.call(layers, merged, px_per_mm: nil, label: nil)
          scale = THUMBNAIL_PX.fdiv([merged.width, merged.height].max).clamp(0, 1)
          thumbnail = merged.resize(scale)
          files = {
            "mimetype" => MIMETYPE,
            "stack.xml" => stack(layers, merged, px_per_mm, label),
            "mergedimage.png" => Png::Writer.call(merged),
            "Thumbnails/thumbnail.png" => Png::Writer.call(thumbnail),
            **layers.each_with_index.to_h { |layer, i| ["data/layer#{i}.png", Png::Writer.call(layer.image)] }
          }
          Zip::Writer.call(files, ["mimetype"])
        end

        def self.stack(layers, merged, px_per_mm, label)
          dpi = px_per_mm && (px_per_mm * 25.4).round
          Nokogiri::XML::Builder
            .new(encoding: "UTF-8") do |xml|
              resolution = dpi ? { xres: dpi, yres: dpi } : {}
              xml.image(version: "0.0.6", w: merged.width, h: merged.height, **resolution) do
                xml.comment(" #{label} ") if label&.code
                xml.stack { layers.each_with_index { |layer, i| xml.layer(**attributes(layer, i)) } }
              end
            end
            .to_xml
        end

        def self.attributes(layer, index)
          {
            name: layer.name,
            src: "data/layer#{index}.png",
            x: 0,
            y: 0,
            opacity: layer.opacity,
            visibility: "visible",
            "composite-op": layer.blend,
            **(layer.locked ? { "edit-locked": "true" } : {})
          }
        end
        private_class_method :stack, :attributes
      end
    end
  end
end
