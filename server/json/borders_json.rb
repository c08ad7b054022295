# frozen_string_literal: true

module SheetTraceServer
  module Json
    # How islands keep inside their cells.
    module BordersJson
      shape = Shape
      BORDER =
        Shape::Record.new(
          "Border",
          island: shape::NUMBER,
          cell: shape::NUMBER,
          inside_px: [shape::NUMBER, "below 0 where it juts out"],
          near: [shape::FLAG, "nearer to the border than the inset"],
          rim_from: [
            shape::NUMBER.or_null,
            "the least reduction at which a rim of another colour shows: 1 is the sheet's own size"
          ],
          rims: shape::NUMBER.by_name
        )
      SHAPE = Shape::Record.new("Borders", borders: BORDER.list)
      SHAPES = [BORDER, SHAPE].freeze

      # @param seen [Array<SheetTrace::Fit::BorderWatch::Seen>]; inset_px [Numeric] wanted
      def self.call(seen, inset_px)
        {
          borders:
            seen.map do |border|
              {
                **border.to_h.except(:rims),
                near: border.near?(inset_px),
                rim_from: border.rim_from,
                rims: border.rims
              }
            end
        }
      end
    end
  end
end
