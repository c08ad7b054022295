# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The solids that can be made, each with its measures.
    module SolidsJson
      # @return [Array<Hash>]
      def self.call
        SheetTrace::Solids::KINDS.names.map do |kind|
          measures = SheetTrace::Solids::KINDS.fetch(kind)::MEASURES.map do |measure|
            { name: measure.name, label: measure.label, default: measure.default, least: measure.range.begin, most: measure.range.end,
              unit: measure.name.end_with?("_mm") ? "mm" : "" }
          end
          { kind: kind, name: kind.tr("_", " ").capitalize, measures: measures }
        end
      end
    end
  end
end
