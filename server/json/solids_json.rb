# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The solids that can be made, each with its measures.
    module SolidsJson
      shape = Shape
      MEASURE =
        Shape::Record.new(
          "Measure",
          name: shape::TEXT,
          label: shape::TEXT,
          default: shape::NUMBER,
          least: shape::NUMBER,
          most: shape::NUMBER,
          unit: shape::TEXT
        )
      SOLID = Shape::Record.new("Solid", kind: shape::TEXT, name: shape::TEXT, measures: MEASURE.list)
      SHAPE = Shape::Record.new("Solids", solids: SOLID.list)
      SHAPES = [MEASURE, SOLID, SHAPE].freeze

      # @return [Hash]
      def self.call
        {
          solids:
            SheetTrace::Solids::KINDS.names.map do |kind|
              {
                kind: kind,
                name: kind.tr("_", " ").capitalize,
                measures: SheetTrace::Solids::KINDS.fetch(kind).parameters.values.map { |parameter| measure(parameter) }
              }
            end
        }
      end

      def self.measure(parameter)
        range = parameter.type.range
        {
          name: parameter.name.to_s,
          label: parameter.label.sub(/\A./, &:upcase),
          default: parameter.default,
          least: range.begin,
          most: range.end,
          unit: parameter.name.end_with?("_mm") ? "mm" : ""
        }
      end
      private_class_method :measure
    end
  end
end
