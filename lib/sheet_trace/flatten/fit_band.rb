# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The cylinder or cone that fits picked faces, with the stretch of its axis that lies beside them, to be shown and
    # corrected.
    module FitBand
      # band [RollOut::Band]; low, high [Array<Float>] ends of the axis beside the faces, model units
      Shown = Struct.new(:band, :low, :high, keyword_init: true)

      # @param mesh [Mesh]
      # @param faces [Array<Integer>]
      # @param axis [Array<Float>, nil]; origin [Array<Float>, nil] as RollOut.fit has them
      # @return [Shown]
      # @raise [MeshError] if the faces lie in one plane; where: { faces: }
      def self.call(mesh, faces, axis: nil, origin: nil)
        chosen = Numo::Int32.zeros(mesh.face_count).tap { |bits| bits[faces] = 1 }
        cut = Cut.call(mesh, Seams.between(mesh, chosen))
        piece = cut.piece(cut.face_pieces[faces].bincount.max_index) # of several, the one with most faces
        band = RollOut.fit(piece, axis: axis, origin: origin)
        along = (piece.positions - Numo::DFloat[band.origin]).dot(Numo::DFloat.cast(band.axis))
        low, high = along.minmax.map { |far| band.origin.zip(band.axis).map { |from, way| from + (far * way) } }
        Shown.new(band: band, low: low, high: high)
      end
    end
  end
end
