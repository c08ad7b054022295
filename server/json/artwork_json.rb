# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The stack of layers, the lowest first, as the shown edition has them, and the editions.
    module ArtworkJson
      shape = Shape
      CONTENT = shape.kind_of(SheetTrace::Artwork::CONTENTS, except: %w[same])
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
          replaced: [shape::FLAG, "by the edition shown"],
          picture_px_per_texel: [shape::NUMBER.or_null, "px of its picture to a texel; null where it says no size"],
          picture_judged: [shape.one_of(*SheetTrace::Artwork::Layer::JUDGED.keys).or_null, "by that number"],
          follows: [shape::TEXT.or_null, "id of the layer whose content it shows"],
          group: [shape::TEXT.or_null, "name of the group that it is in"]
        )
      SWATCH = Shape::Record.new("Swatch", color: [shape::TEXT, "#rrggbb"], name: shape::TEXT)
      RELIEF =
        Shape::Record.new(
          "Relief",
          from: shape.one_of(*SheetTrace::Artwork::Relief::FROM.keys),
          color: shape::TEXT,
          low: shape::NUMBER,
          high: shape::NUMBER,
          noise_px: shape::NUMBER,
          smooth_px: shape::NUMBER,
          height_mm: shape::NUMBER
        )
      MASK_PICTURE =
        Shape::Record.new(
          "MaskPicture",
          from: shape.one_of(*SheetTrace::Artwork::MaskPicture::FROM.keys),
          color: shape::TEXT,
          low: shape::NUMBER,
          high: shape::NUMBER,
          noise_px: shape::NUMBER,
          smooth_px: shape::NUMBER,
          inverted: shape::FLAG,
          layers: [shape::TEXT.list.or_null, "ids; null: all"]
        )
      COLUMN =
        Shape::Record.new(
          "EditionColumn",
          layer: [shape::TEXT, "id"],
          member: shape.one_of(*SheetTrace::Artwork::EditionTable::MEMBERS.keys.map(&:to_s)),
          title: shape::TEXT
        )
      GROUP =
        Shape::Record.new(
          "LayerGroup",
          name: shape::TEXT,
          visible: shape::FLAG,
          locked: shape::FLAG,
          opacity: shape::NUMBER
        )
      SHAPE =
        Shape::Record.new(
          "Artwork",
          bleed_px: shape::NUMBER,
          bleed_copy: [shape::NUMBER.or_null, "the smallest reduced copy that it does for is so many times smaller"],
          layers: LAYER.list,
          groups: GROUP.list,
          linear: [shape::FLAG, "whether layers are blended in linear light"],
          editions: [shape::TEXT.list, "their names"],
          shown: [shape::NUMBER, "of the editions"],
          palette: SWATCH.list,
          relief: [RELIEF.or_null, "how the art is raised"],
          mask: [MASK_PICTURE.or_null, "what the mask beside the texture is made of"],
          in_use: [shape::TEXT.list, "colours of layers and of the underlay's cells, #rrggbb"],
          columns: [COLUMN.list, "what editions can replace"],
          cells: [shape::TEXT.or_null.list.list, "by edition and column; null: as in the stack"]
        )
      SHAPES = [MASK, LAYER, GROUP, SWATCH, RELIEF, MASK_PICTURE, COLUMN, SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @return [Hash]
      def self.call(job)
        stack = job.artwork
        columns = SheetTrace::Artwork::EditionTable.possible(stack)
        {
          bleed_px: stack.bleed_px,
          bleed_copy: SheetTrace::Raster::Bleed.smallest_copy(stack.bleed_px),
          shown: stack.shown,
          groups: stack.groups.map(&:to_h),
          linear: stack.linear,
          editions: stack.editions.map(&:name),
          palette: job.palette.map(&:to_h),
          relief: job.relief&.to_h,
          mask: job.mask&.to_h,
          in_use: SheetTrace::Artwork::Swatch.in_use(job),
          columns: columns.map { |column| { layer: column.layer.id, member: column.member.to_s, title: column.title } },
          cells:
            stack.editions.map do |edition|
              columns.map { |column| SheetTrace::Artwork::EditionTable.cell(edition, column) }
            end,
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
          replaced: replaced,
          group: layer.group,
          picture_px_per_texel: layer.picture_px_per_texel(job),
          picture_judged: layer.picture_judged(job),
          follows:
            job.artwork.layer(layer.id).content.then { |own| own.of if own.is_a?(SheetTrace::Artwork::Contents::Same) }
        }
      end

      def self.kind(table, value, facts) =
        { kind: SheetTrace::Artwork::KindOf.name_of(table, value), **value.to_plain, **facts }
      private_class_method :layer, :kind
    end
  end
end
