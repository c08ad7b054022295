# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The plane about which a model is its own mirror image.
    module SymmetryJson
      shape = Shape
      SHAPE =
        Shape::Record.new(
          "Symmetry",
          plane: [shape::TEXT.or_null, "as \"x = 0\"; null where there is none"],
          tolerance_mm: shape::NUMBER.or_null,
          error_mm: shape::NUMBER.or_null
        )
      SHAPES = [SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @return [Hash]
      def self.call(job)
        symmetry = job.mesh.symmetry
        {
          plane: symmetry&.plane,
          tolerance_mm: symmetry && (symmetry.tolerance * job.unit_mm),
          error_mm: symmetry && (symmetry.error * job.unit_mm)
        }
      end
    end
  end
end
