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
        corner = Array.new(3) { |k| positions[triangles[true, k], true] }
        normals = Geometry::Vectors.cross(corner[1] - corner[0], corner[2] - corner[0])
        jacobians = UvMap::Jacobians.of(positions, places, triangles)
        x, y = UvMap::UpOnPlane.call(jacobians, normals, normal, Numo::Int32.zeros(triangles.shape[0]))
        angle = Math.atan2(x[0], y[0])
        Geometry::Affine.turn(angle).apply(places)
      end
    end
  end
end
