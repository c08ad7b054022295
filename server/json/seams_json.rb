# frozen_string_literal: true

module SheetTraceServer
  module Json
    # How far the colours on both sides of seams differ.
    module SeamsJson
      shape = Shape
      SEAM =
        Shape::Record.new(
          "CheckedSeam",
          islands: [shape::NUMBER.list, "on both sides"],
          mean: [shape::NUMBER, "difference of colours, 0 to 255"],
          worst: shape::NUMBER,
          length_mm: shape::NUMBER,
          faces: [shape::NUMBER.list, "where it is worst"]
        )
      SHAPE = Shape::Record.new("CheckedSeams", seams: SEAM.list)
      SHAPES = [SEAM, SHAPE].freeze

      # @param seams [Array<SheetTrace::Artwork::SeamCheck::Seam>]
      # @return [Hash]
      def self.call(seams) = { seams: seams.map(&:to_h) }
    end
  end
end
