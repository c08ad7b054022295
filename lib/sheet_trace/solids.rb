# frozen_string_literal: true

module SheetTrace
  # Simple solids by typed measures in mm, each with starting UVs at one scale: packs and practice pieces.
  # A new one is a file and a line here.
  module Solids
    KINDS =
      Registry.new(
        "solid",
        %w[Box RoundedBox Cylinder Cone Plane Ring Torus Ball].to_h do |constant|
          [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Solids::#{constant}"]
        end
      )
    LENGTH_MM = (0.1..100_000.0)
    SEGMENTS = (3..256)

    # @param kind [String] one of KINDS
    # @param measures [Hash{Symbol => Numeric}] as the solid declares them; those that are lacking take their default
    # @return [Formats::Reading] unit 1 mm, y up, standing on y = 0
    # @raise [UnknownNameError] where: { name: }
    # @raise [InputError] where: { solid:, measure: }
    def self.build(kind, measures = {})
      solid = KINDS.fetch(kind)
      values = solid.validated(measures).to_h { |name, value| [name, name.end_with?("_mm") ? value.to_f : value] }
      solid.call(**values).reading(kind.tr("_", " "))
    rescue InputError => e
      raise if e.is_a?(UnknownNameError) || e.where.key?(:solid)

      raise InputError.new(
              "#{kind.tr("_", " ")}: #{e.message}",
              where: {
                solid: kind,
                measure: e.where.keys.first&.to_s
              }
            )
    end
  end
end
