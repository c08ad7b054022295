# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The axes of planes seen from outside: y as far up as the plane allows, x to the right.
    module Axes
      # @param normals [Numo::DFloat] n x 3 unit normals
      # @return [Array(Numo::DFloat, Numo::DFloat)] n x 3 x axes and n x 3 y axes, unit
      def self.call(normals)
        up = Mesh::Facing.up(normals)
        y_axis = Geometry::Vectors.unit(up - (normals * Geometry::Vectors.dot(up, normals).expand_dims(1)))
        [Geometry::Vectors.cross(y_axis, normals), y_axis]
      end
    end
  end
end
