# frozen_string_literal: true

require_relative "../demo/tea_caddy"

module Bench
  # The caddy in ten layers of all kinds of content and place.
  module TenLayers
    # @return [String] a PNG of noise, opaque in part
    def self.picture
      Vips::Image
        .gaussnoise(1000, 1000)
        .cast(:uchar)
        .bandjoin([128, 64, 255])
        .copy(interpretation: :srgb)
        .pngsave_buffer(compression: 1)
    end

    # @param picture [String] digest
    # @return [Array<Hash>] parameters of add_layer
    def self.layers(picture)
      shown = { kind: "picture", picture: picture }
      words = { kind: "lettering", text: "Quillhaven\nLantern" }
      at = { face: 0, at: [35.0, 60.0, 25.0] }
      [
        { content: { kind: "fill", color: "#2f5a45" } },
        { content: shown },
        *(0..3).map { |island| { content: shown, place: { kind: "island", island: island, width_mm: 50 } } },
        { content: words, place: { kind: "island", island: 0, width_mm: 60 } },
        { content: words, place: { kind: "surface", **at, width_mm: 30 } },
        {
          content: {
            kind: "gradient",
            color: "#ffffff",
            to: "#000000"
          },
          place: {
            kind: "level",
            **at,
            height_mm: 12
          }
        },
        { id: "decal", content: shown, place: { kind: "surface", **at, width_mm: 40 } }
      ]
    end

    # @param file [SheetTrace::Artwork::PictureFile]
    # @return [SheetTrace::Job]
    def self.job(file)
      read = SheetTrace::Formats.read(Demo::TeaCaddy.obj, name: "caddy.obj")
      layers(file.digest).reduce(SheetTrace::Job.start(read, source_name: "caddy.obj")) do |job, layer|
        operation = SheetTrace::Operations.from_plain("add_layer", layer)
        SheetTrace::Operations.run(operation, job, pictures: ->(_) { file }).job
      end
    end
  end
end
