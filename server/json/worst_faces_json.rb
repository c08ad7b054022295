# frozen_string_literal: true

module SheetTraceServer
  module Json
    # The faces with the worst figures, the worst first, to be stepped through.
    module WorstFacesJson
      shape = Shape
      FACE =
        Shape::Record.new(
          "WorstFace",
          face: shape::NUMBER,
          island: shape::NUMBER,
          value: [shape::NUMBER.or_null, "null: endless"]
        )
      SHAPE = Shape::Record.new("WorstFaces", faces: FACE.list)
      SHAPES = [FACE, SHAPE].freeze

      # @param job [SheetTrace::Job]
      # @param by [String] of SheetTrace::Artwork::MeasureMap::KINDS
      # @return [Hash]
      def self.call(job, by) =
        { faces: SheetTrace::Artwork::MeasureMap.worst_faces(by, job.layout, unit_mm: job.unit_mm).map(&:to_h) }
    end
  end
end
