# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Turns a flat piece so that up on the model points up on the plane, on the mean of the piece.
    module Upright
      # @param positions [Numo::DFloat] n x 3
      # @param triangles [Numo::Int32] t x 3
      # @param places [Numo::DFloat] n x 2, y up
      # @param normal [Numo::DFloat] 1 x 3, the piece's mean normal
      # @return [Numo::DFloat] n x 2
      def self.call(positions, triangles, places, normal)
        jacobians = UvMap::Jacobians.of(positions, places, triangles)
        dx, dy = jacobians.on_plane(Mesh::Facing.up(normal).to_a.first)
        angle = Math.atan2((dx * jacobians.area_mm2).sum, (dy * jacobians.area_mm2).sum)
        Geometry::Affine.turn(angle).apply(places)
      end
    end
  end
end
