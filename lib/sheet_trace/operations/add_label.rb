# frozen_string_literal: true

module SheetTrace
  module Operations
    # Sets a picture in the middle of an island, upright on the model, above the other layers.
    #
    # id [String] of the new layer; picture [String] digest; picture_px [Array(Integer, Integer)] its size
    # name [String]; island [Integer]; width_mm [Float, nil] the largest that fits the island if nil
    AddLabel = Struct.new(:id, :picture, :picture_px, :name, :island, :width_mm, keyword_init: true) do
      def initialize(id:, picture:, picture_px:, name:, island:, width_mm: nil)
        super
        freeze
      end

      def validate(job)
        problems = [Checks.island(job, island), Checks.text(name, "the layer's name", 200),
                    Checks.optional(width_mm, "width", ChangeLayer::WIDTH_MM)].compact
        return problems if problems.any?

        job.flat_map(island)
        []
      rescue UvError => e
        ["#{job.island_names[island]}: #{e.message}"]
      end

      def apply(job)
        place = Artwork::LabelPlace.new(island: island, width_mm: (width_mm || fitting_mm(job)).to_f)
        layer = Artwork::Layer.new(id: id, kind: "label", name: name, picture: picture, place: place)
        job.with(edition: job.edition.with(layers: job.edition.layers + [layer]))
      end

      def describe(job, after)
        width = after.edition.layer(id).place.width_mm
        "#{name} set on #{job.island_names[island]}, #{Words.short(width)} x #{Words.mm(width * picture_px[1] / picture_px[0])}"
      end

      private

      def fitting_mm(job)
        width, height = job.flat_map(island).size_mm
        [width, height * picture_px[0] / picture_px[1]].min.clamp(ChangeLayer::WIDTH_MM)
      end
    end
  end
end
