# frozen_string_literal: true

module SheetTrace
  module Formats
    # Writes a drawing in the format of a file's ending.
    module Drawings
      # Where nothing is known of mm, a PDF is as large as at this.
      USUAL_PX_PER_MM = 300 / 25.4
      # kind => what it is called, its media type, and what of a drawing it loses
      KINDS = {
        **Images::KINDS.transform_values do |own|
          { media_type: own.media_type, loses: [*(own.alpha ? [] : ["alpha"]), "vectors"] }
        end,
        "svg" => {
          media_type: "image/svg+xml",
          loses: []
        },
        "pdf" => {
          media_type: "application/pdf",
          loses: ["alpha"]
        },
        "ora" => {
          media_type: "image/openraster",
          loses: ["vectors"]
        }
      }.freeze

      # Of pictures that are held whole, or several times, while they are written.
      MOST_PX = { "tga" => 8192 * 8192, "ora" => 8192 * 8192 }.freeze
      # Along a side; WebP Container Specification, Canvas Width: 14 bits of a lossless one.
      LARGEST_PX = { "webp" => 16_383 }.freeze
      private_constant :MOST_PX, :LARGEST_PX

      # @param scene [Drawing::Scene]
      # @param kind [String] of KINDS
      # @param px_per_mm [Float, nil]; label [Label, nil]
      # @param hard [Boolean] as Drawing::Scene#to_image
      # @param paper [String, nil] as Pdf::Writer; hairlines [Boolean] as Svg::Writer
      # @return [String]
      # @raise [LimitError] where it is larger than the format or memory allows; where: { limit:, got: }
      def self.call(scene, kind, px_per_mm: nil, label: nil, hard: false, paper: nil, hairlines: false)
        limit(scene, kind)
        case kind
        when "svg"
          Svg::Writer.call(scene, px_per_mm: px_per_mm, label: label, hairlines: hairlines)
        when "pdf"
          Pdf::Writer.call(scene, px_per_mm: px_per_mm || USUAL_PX_PER_MM, label: label, paper: paper)
        when "ora"
          to_paint(scene, px_per_mm, label, hard)
        else
          Images.call(scene.to_image(hard: hard), kind, px_per_mm: px_per_mm, label: label)
        end
      end

      def self.limit(scene, kind)
        sides = [scene.width_px, scene.height_px].map(&:ceil)
        most, got =
          [[MOST_PX[kind], sides.reduce(:*)], [LARGEST_PX[kind], sides.max]].find { |limit, px| limit && px > limit }
        return unless most

        raise LimitError.new(
                "#{sides.join(" x ")} px are too much for #{kind.upcase}; take a smaller size, or PNG, TIFF, SVG or PDF",
                where: {
                  limit: most,
                  got: got
                }
              )
      end

      # Set up to be painted: white at the base, an empty layer for colour, the lines above it, locked.
      def self.to_paint(scene, px_per_mm, label, hard)
        guide = Drawing::Scene.new(**scene.to_h, background: nil).to_image(hard: hard)
        white = (Vips::Image.black(guide.width, guide.height, bands: 4) + 255).cast(:uchar).copy(interpretation: :srgb)
        empty = Vips::Image.black(guide.width, guide.height, bands: 4).copy(interpretation: :srgb)
        layers = [
          OpenRaster::Writer::Layer.new(name: "Guide", image: guide, blend: "svg:multiply", locked: true),
          OpenRaster::Writer::Layer.new(name: "Colour", image: empty),
          OpenRaster::Writer::Layer.new(name: "White", image: white)
        ]
        merged = Drawing::Scene.new(**scene.to_h, background: Drawing::Color.parse("#ffffff")).to_image(hard: hard)
        OpenRaster::Writer.call(layers, merged, px_per_mm: px_per_mm, label: label)
      end
      private_class_method :limit, :to_paint
    end
  end
end
