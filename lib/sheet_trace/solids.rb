# frozen_string_literal: true

module SheetTrace
  # Simple solids by typed measures in mm, each with starting UVs at one scale: packs and practice pieces.
  # A new one is a file and a line here.
  module Solids
    KINDS = Registry.new("solid", %w[Box RoundedBox Cylinder Cone Plane Ring Ball].to_h do |constant|
      [constant.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase, "SheetTrace::Solids::#{constant}"]
    end)
    LENGTH_MM = (0.1..100_000.0)
    SEGMENTS = (3..256)

    # One typed measure: name [String] with its unit; label [String] for people; default [Numeric]; range [Range]
    Measure = Struct.new(:name, :label, :default, :range, keyword_init: true)

    # @return [Measure] a length
    def self.length(name, label, default, range = LENGTH_MM) = Measure.new(name: "#{name}_mm", label: label, default: default, range: range)

    # @return [Measure] a count of sides or steps
    def self.count(name, label, default, range = SEGMENTS) = Measure.new(name: name, label: label, default: default, range: range)

    # @param kind [String] one of KINDS
    # @param measures [Hash{Symbol => Numeric}] those that are lacking take their default
    # @return [Formats::Reading] unit 1 mm, y up, standing on y = 0
    # @raise [UnknownNameError] where: { name: }
    # @raise [InputError] where: { solid:, measure: }
    def self.build(kind, measures = {})
      solid = KINDS.fetch(kind)
      stranger = measures.keys.map(&:to_s) - solid::MEASURES.map(&:name)
      if stranger.any?
        raise InputError.new("#{kind} has no measure #{stranger.first}; it has #{solid::MEASURES.map(&:name).join(", ")}",
                             where: { solid: kind, measure: stranger.first })
      end

      values = solid::MEASURES.to_h { |measure| [measure.name.to_sym, checked(kind, measure, measures.fetch(measure.name.to_sym, measure.default))] }
      solid.call(**values).reading(kind.tr("_", " "))
    end

    def self.checked(kind, measure, value)
      good = value.is_a?(Numeric) && value.to_f.finite? && measure.range.cover?(value) && (measure.range.begin.is_a?(Float) || value.is_a?(Integer))
      return measure.range.begin.is_a?(Float) ? value.to_f : value if good

      raise InputError.new("#{measure.label.downcase} is #{value.inspect}; give a #{measure.range.begin.is_a?(Float) ? "number" : "whole number"} " \
                           "from #{measure.range.begin} to #{measure.range.end}", where: { solid: kind, measure: measure.name })
    end
    private_class_method :checked
  end
end
