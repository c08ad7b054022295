# frozen_string_literal: true

module SheetTraceServer
  module Json
    # How islands would lie among the others where a hand has moved them.
    module ClearanceJson
      shape = Shape
      SHAPE =
        Shape::Record.new(
          "Clearance",
          gap_px: [shape::NUMBER.or_null, "to the nearest of the others, between outlines; null where there are none"],
          nearest: shape::NUMBER.or_null,
          over: [shape::NUMBER.list, "islands that they touch or lie on"],
          density_px_per_mm: [shape::PAIR, "least and most"]
        )
      SHAPES = [SHAPE].freeze

      # @param job [SheetTrace::Job]; islands [Array<Integer>]; change [SheetTrace::Geometry::Affine] px
      def self.call(job, islands, change)
        clearance = SheetTrace::Layout::Clearance.after(job.layout, islands, change)
        scale = Math.sqrt(change.determinant.abs)
        {
          **clearance.to_h,
          density_px_per_mm: job.measures.values_at(*islands).map { |measure| measure.density_px_per_mm * scale }.minmax
        }
      end
    end
  end
end
