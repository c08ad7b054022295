# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Which way a surface looks, and which way is up on it.
    # Seen as a viewer in front of the model does: up is +y, front is +z, right is +x.
    module Facing
      SIDES = [%w[Right Left], %w[Top Bottom], %w[Front Back]].freeze
      private_constant :SIDES

      # A surface that looks up or down has no up of its own: on top, up is towards the back; underneath,
      # towards the front, as on a carton turned forwards or backwards from the front (common practice, no source).
      LEVEL = 0.95
      # Below this length the mean normal says nothing: the surface goes round.
      ROUND = 0.35
      private_constant :LEVEL

      # @param normals [Numo::DFloat] n x 3 mean unit normals, shorter where the surface bends
      # @return [Numo::DFloat] n x 3 unit vectors: up on each surface
      def self.up(normals)
        up = Numo::DFloat.zeros(*normals.shape)
        up[true, 1] = 1.0
        height = normals[true, 1]
        level = height.abs > Geometry::Vectors.lengths(normals) * LEVEL
        level &= Geometry::Vectors.lengths(normals) > ROUND
        rows = level.where
        up[rows, 1] = 0.0
        up[rows, 2] = Numo::DFloat.cast(height[rows] < 0) - Numo::DFloat.cast(height[rows] > 0)
        up
      end

      # @param normals [Numo::DFloat] n x 3 mean unit normals
      # @return [Array<String>] Front, Back, Left, Right, Top, Bottom, or Around for a surface that goes round
      def self.names(normals)
        normals.to_a.map do |normal|
          axis = (0..2).max_by { |i| normal[i].abs }
          next "Around" if Math.sqrt(normal.sum { |x| x * x }) < ROUND

          SIDES[axis][normal[axis].negative? ? 1 : 0]
        end
      end
    end
  end
end
