# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Triangles in their own planes: how the change of a value across each follows from its values at the corners.
    # Triangles of no area weigh nothing.
    class PlaneTriangles
      # @return [Numo::Int64] t x 3 indices
      attr_reader :triangles
      # @return [Numo::DFloat] t areas
      attr_reader :areas
      # @return [Array<Numo::DFloat>] change per unit along the first edge, and across it, for a value of 1 at each
      #   corner
      attr_reader :across, :up

      # @param positions [Numo::DFloat] n x 3
      # @param triangles [Numo::Int32] t x 3
      # @param weights [Numo::DFloat, nil] t by which their areas count more, or less
      def initialize(positions, triangles, weights: nil)
        @triangles = Numo::Int64.cast(triangles)
        corner = Array.new(3) { |k| positions[@triangles[true, k], true] }
        along = corner[1] - corner[0]
        side = corner[2] - corner[0]
        width = Geometry::Vectors.lengths(along)
        height =
          Geometry::Vectors.lengths(Geometry::Vectors.cross(along, side)) / Numo::DFloat.maximum(width, Float::MIN)
        shift = Geometry::Vectors.dot(along, side) / Numo::DFloat.maximum(width, Float::MIN)
        solid = (width * height) > ((width * height).max * 1e-10)
        width[~solid] = height[~solid] = 1.0
        shift[~solid] = 0.0
        @areas = width * height / 2 * Numo::DFloat.cast(solid)
        @areas *= weights if weights
        slope = shift / width
        @across = [-1 / width, 1 / width, width * 0]
        @up = [(slope - 1) / height, -slope / height, 1 / height]
        freeze
      end

      # @param values [Numo::DFloat] n
      # @return [Array(Numo::DFloat, Numo::DFloat)] change per unit along and across, t each
      def changes(values)
        own = Array.new(3) { |k| values[triangles[true, k]] }
        [across, up].map { |weights| weights.zip(own).map { |weight, value| weight * value }.sum }
      end

      # @return [Hash{Array(Integer, Integer) => Numo::DFloat}] corner pairs, the first not the later one => t
      #   products of their changes
      def stiffness
        (0..2).to_a.repeated_combination(2).to_h { |i, j| [[i, j], (across[i] * across[j]) + (up[i] * up[j])] }
      end
    end
  end
end
