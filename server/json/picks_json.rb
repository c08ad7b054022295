# frozen_string_literal: true

module SheetTraceServer
  module Json
    # What a way to pick found.
    module PicksJson
      SHAPE = Shape::Record.new("Picked", kind: Shape.one_of(*SheetTrace::Pick::KINDS), indices: Shape::NUMBER.list)
      SHAPES = [SHAPE].freeze

      def self.call(kind, indices) = { kind: kind, indices: indices }
    end
  end
end
