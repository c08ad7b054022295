# frozen_string_literal: true

module SheetTrace
  module Flatten
    # A piece as seen from one direction, upright: true where it faces that way, shortened where it leans away.
    module SeenFrom
      # @param piece [Cut::Piece]
      # @param direction [Array<Float>, nil] from the surface to the eye; square-on to the mean of the piece if nil
      # @return [Numo::DFloat] n x 2, the unit of the positions
      def self.call(piece, direction = nil)
        normal =
          direction ? Geometry::Vectors.unit(Numo::DFloat[direction]) : Geometry::Vectors.unit(mean_normal(piece))
        normal = Numo::DFloat[[0, 0, 1]] if Geometry::Vectors.lengths(normal)[0] < 0.5
        Geometry::Vectors.columns(Axes.call(normal).map { |axis| piece.positions.dot(axis.flatten) })
      end

      # @return [Array<Float>] the box direction that most of the piece looks to
      def self.box_direction(piece)
        normal = mean_normal(piece)[0, true].to_a
        axis = (0..2).max_by { |k| normal[k].abs }
        Array.new(3) do |k|
          if k == axis
            normal[k].negative? ? -1.0 : 1.0
          else
            0.0
          end
        end
      end

      # @return [Numo::DFloat] 1 x 3, the mean of unit normals weighted by area, shorter where the piece bends
      def self.mean_normal(piece)
        corner = Array.new(3) { |k| piece.positions[piece.triangles[true, k], true] }
        doubled = Geometry::Vectors.cross(corner[1] - corner[0], corner[2] - corner[0])
        (doubled.sum(axis: 0) / [Geometry::Vectors.lengths(doubled).sum, Float::MIN].max).reshape(1, 3)
      end
    end
  end
end
