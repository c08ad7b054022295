# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The stack of layers, the lowest first, as the shown edition has them, and the editions.
    module ArtworkJson
      shape = Shape
      CONTENT = shape.kind_of(SheetTrace::Artwork::CONTENTS)
      PLACE = shape.kind_of(SheetTrace::Artwork::PLACES)
      MASK =
        Shape::Record.new(
          "Mask",
          islands: shape::NUMBER.list.or_null,
          parts: shape::NUMBER.list.or_null,
          materials: shape::NUMBER.list.or_null,
          faces: shape::NUMBER.list.or_null
        )
      LAYER =
        Shape::Record.new(
          "Layer",
          id: shape::TEXT,
          name: shape::TEXT,
          content: [CONTENT, "what it shows"],
          place: [PLACE, "where it lies"],
          visible: shape::FLAG,
          locked: shape::FLAG,
          opacity: shape::NUMBER,
          blend: shape.one_of(*SheetTrace::Artwork::Blend::MODES.keys),
          mask: [MASK.or_null, "what it shows on; null: everything"],
          replaced: [shape::FLAG, "by the edition shown"]
        )
      SHAPE =
        Shape::Record.new(
          "Artwork",
          bleed_px: shape::NUMBER,
          layers: LAYER.list,
          editions: [shape::TEXT.list, "their names"],
          shown: [shape::NUMBER, "of the editions"]
        )
      SHAPES = [MASK, LAYER, SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @return [Hash]
      def self.call(job)
        stack = job.artwork
        {
          bleed_px: stack.bleed_px,
          shown: stack.shown,
          editions: stack.editions.map(&:name),
          layers: stack.worn.map { |layer| layer(job, layer, stack.edition.replaced.key?(layer.id)) }
        }
      end

      def self.layer(job, layer, replaced)
        look = layer.look
        {
          id: layer.id,
          name: layer.name,
          content: kind(SheetTrace::Artwork::CONTENTS, layer.content, layer.content.facts(job, layer.place)),
          place: kind(SheetTrace::Artwork::PLACES, layer.place, layer.place.facts(job, layer.content)),
          visible: look.visible,
          locked: look.locked,
          opacity: look.opacity,
          blend: look.blend,
          mask: look.mask.whole? ? nil : look.mask.to_h,
          replaced: replaced
        }
      end

      def self.kind(table, value, facts) =
        { kind: SheetTrace::Artwork::KindOf.name_of(table, value), **value.to_plain, **facts }
      private_class_method :layer, :kind
    end
  end
end
