# frozen_string_literal: true

module SheetTraceServer
  module Json
    # One step of relaxing: how far it came, and where the outlines and inner lines of the islands lie.
    module RelaxStepJson
      # @return [Hash]
      def self.call(job, operation, step, spacing, points_uv)
        edges = job.layout.uv_map.edges
        wanted = Numo::Bit.zeros(job.layout.uv_map.island_count).tap { |bits| bits[operation.islands] = 1 }
        points = job.sheet.to_px(points_uv)
        ends = wanted[edges.islands].where.then { |rows| [0, 1].map { |k| points[edges.points[rows, k], true] } }
        { step: step, spacing: spacing, lines: LinesJson.call(SheetTrace::Geometry::Vectors.columns(ends.flat_map { |places| [places[true, 0], places[true, 1]] })) }
      end
    end
  end
end
