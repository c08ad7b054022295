# frozen_string_literal: true

module SheetTrace
  module Operations
    # Changes a layer's name, visibility or opacity, or where a label sits. What is nil stays as it is.
    #
    # id [String]; name [String]; visible [Boolean]; opacity [Float] 0 to 1
    # for a skin: material [Integer, String] the one it shows on, or "all"
    # for a label: island [Integer]; width_mm, x_mm, y_mm, turn_rad [Float] as Artwork::LabelPlace
    ChangeLayer = Struct.new(:id, :name, :visible, :opacity, :island, :width_mm, :x_mm, :y_mm, :turn_rad, :material, keyword_init: true) do
      def initialize(id:, name: nil, visible: nil, opacity: nil, island: nil, width_mm: nil, x_mm: nil, y_mm: nil, turn_rad: nil, material: nil)
        super
        freeze
      end

      def validate(job)
        missing = Checks.layer(job, id)
        missing ? [missing] : [*misplaced(job.edition.layer(id)), *out_of_range(job)]
      end

      def apply(job)
        layer = job.edition.layer(id)
        changed = layer.with(**{ name: name, visible: visible, opacity: opacity&.to_f }.compact)
        changed = changed.with(material: material == "all" ? nil : material) if material
        changed = changed.with(place: layer.place.with(**place)) if place.any?
        job.with(edition: job.edition.replace(changed))
      end

      def describe(job, after)
        layer = after.edition.layer(id)
        if place.empty?
          return "#{job.edition.layer(id).name}: #{[name && "renamed #{name}", shown,
                                                    opacity && "opacity #{Words.short(opacity * 100)} %", on_material(job)].compact.join(", ")}"
        end

        spot = layer.place
        "#{layer.name}: #{Words.mm(spot.width_mm)} wide, #{Words.short(spot.x_mm)}, #{Words.mm(spot.y_mm)} from the middle of " \
          "#{after.island_names[spot.island]}, turned #{Words.degrees(spot.turn_rad)}"
      end

      private

      def misplaced(layer)
        return ["#{layer.name} lies over the whole sheet; only a label has a place"] if place.any? && !layer.place

        material && layer.place ? ["#{layer.name} is a label; only a skin is limited to a material"] : []
      end

      def out_of_range(job)
        [name && Checks.text(name, "the layer's name", 200), Checks.optional(opacity, "opacity", 0..1),
         material && material != "all" ? Checks.entry(material, job.mesh.materials, "material") : nil,
         island && Checks.island(job, island), Checks.optional(width_mm, "width", ChangeLayer::WIDTH_MM),
         Checks.optional(x_mm, "x", ChangeLayer::PLACE_MM), Checks.optional(y_mm, "y", ChangeLayer::PLACE_MM),
         Checks.optional(turn_rad, "turn", -1000..1000),
         visible.nil? || [true, false].include?(visible) ? nil : "visible is #{visible.inspect}; give true or false"].compact
      end

      def place
        numbers = { width_mm: width_mm, x_mm: x_mm, y_mm: y_mm, turn_rad: turn_rad }.compact.transform_values do |value|
          value.is_a?(Numeric) ? value.to_f : value
        end
        island ? numbers.merge(island: island) : numbers
      end

      def on_material(job)
        return unless material

        material == "all" ? "on all materials" : "on #{job.mesh.material_names[material]} only"
      end

      def shown = { true => "shown", false => "hidden" }[visible]
    end

    # Ranges of a label's numbers.
    class ChangeLayer
      WIDTH_MM = (0.001..1_000_000.0)
      PLACE_MM = (-1_000_000.0..1_000_000.0)
    end
  end
end
