# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The affine change of a flat piece that brings it nearest to its true shape: the root of the mean
    # metric (mm per unit, squared) over the piece. What was an affine image of a true shape becomes it.
    module TrueAffine
      # @param positions_mm [Numo::DFloat] n x 3
      # @param triangles [Numo::Int32] t x 3 indices
      # @param places [Numo::DFloat] n x 2, any unit, y up
      # @return [Numo::DFloat, nil] n x 2, mm, not mirrored; nil if no triangle has an area in both
      def self.call(positions_mm, triangles, places)
        jacobians = UvMap::Jacobians.of(positions_mm, places, triangles)
        area = jacobians.invertible_area_mm2
        return if area.sum.zero?

        change = change(jacobians)
        if (jacobians.determinant * area).sum.negative?
          (Geometry::Affine.scale(-1, 1) * change).apply(places)
        else
          change.apply(places)
        end
      end

      # @param jacobians [UvMap::Jacobians] of which some has an inverse
      # @return [Geometry::Affine] from plane units to mm, without turn or mirroring
      def self.change(jacobians)
        area = jacobians.invertible_area_mm2
        xx, xy, yy = jacobians.metric.map { |entry| (entry * area).sum / area.sum }
        a, b, d = root(xx, xy, yy)
        Geometry::Affine.new(a, b, 0.0, b, d, 0.0)
      end

      # The symmetric square root of a symmetric positive 2 x 2 matrix, by Cayley and Hamilton's theorem.
      #
      # @return [Array(Float, Float, Float)] xx, xy, yy
      def self.root(xx, xy, yy)
        det = Math.sqrt([(xx * yy) - (xy * xy), 0.0].max)
        trace = Math.sqrt(xx + yy + (2 * det))
        [(xx + det) / trace, xy / trace, (yy + det) / trace]
      end
    end
  end
end
