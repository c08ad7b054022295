# frozen_string_literal: true

module SheetTrace
  class Layout
    # A sheet map of pieces that were laid flat: in true size, at one density, packed in rows.
    module LayPieces
      # @param pieces [Flatten::Pieces] all of a mesh
      # @param sheet [Sheet]
      # @return [UvMap]
      def self.call(pieces, sheet:)
        cut = pieces.cut
        numbers = cut.point_pieces
        lows, highs =
          [0, 1].map { |axis| Geometry::Grouped.extremes(numbers, pieces.places[true, axis].copy, cut.piece_count) }
            .transpose
        sizes = [0, 1].map { |axis| (highs[axis] - lows[axis]).to_a }.transpose
        corners, scale = PackRows.call(sizes, sheet: sheet)
        left, top = corners.transpose.map { |values| Numo::DFloat.cast(values) }
        px =
          Geometry::Vectors.columns(
            [
              ((pieces.places[true, 0] - lows[0][numbers]) * scale) + left[numbers],
              ((highs[1][numbers] - pieces.places[true, 1]) * scale) + top[numbers]
            ]
          )
        cut.to_map(sheet.px_to_uv.apply(px))
      end
    end
  end
end
