# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The one inner vertex at which a disc can't be laid flat, as the apex of a cone: the angles round it are far from a
    # full turn.
    module Peak
      LEAST_RAD = 0.05
      FLAT_RAD = 1e-3
      private_constant :LEAST_RAD, :FLAT_RAD

      # @param piece [Cut::Piece] of cut
      # @param cut [Cut]
      # @return [Array<Integer>, nil] edges of the mesh from the peak to the border, the cheapest way; nil where there
      #   is no such vertex, or there are several
      def self.slit(piece, cut)
        return unless piece.disc?

        off = AngleDefect.call(piece)
        peaks = (off > FLAT_RAD).where
        return unless peaks.size == 1 && off[peaks[0]] > LEAST_RAD

        vertices = cut.point_vertices[piece.points]
        Mesh::PickEdges.cheapest_run(
          cut.mesh,
          [vertices[peaks[0]]],
          vertices[piece.border.first].to_a,
          CutCosts.call(cut.mesh).to_a
        )
      end
    end
  end
end
