# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Width and height of an island as it is on the model, whatever its map: a flat one in its plane, one that can be
    # laid flat without stretch - as a band of a cylinder or cone - lying flat, anything else straight across, as
    # callipers measure it from the side it looks to.
    #
    # mm [Array(Float, Float)] of the island upright; exact [Boolean] whether it lies flat with that size
    SurfaceSize = Struct.new(:mm, :exact, keyword_init: true)

    # How sizes are found.
    class SurfaceSize
      # Singular values of a triangle's map up to which, and down to its inverse, shape and size are kept.
      KEPT = 1.001
      # Where the angles that lack or are too many come to more together, no map keeps sizes so far: on a part
      # of a sphere the best one is off by a twenty-fifth for each radian. Looked at first, as a map takes far longer.
      CURVED_RAD = 0.2
      private_constant :KEPT, :CURVED_RAD

      # @param uv_map [UvMap]
      # @param island [Integer]
      # @param unit_mm [Float] length of a model unit
      # @return [SurfaceSize]
      def self.call(uv_map, island, unit_mm:)
        flat = PlaneOf.call(uv_map, island, unit_mm: unit_mm) || developed(uv_map, island)&.*(unit_mm)
        new(mm: spans(flat || across(uv_map, island, unit_mm)), exact: !flat.nil?).freeze
      end

      # @return [Numo::DFloat, nil] n x 2, model units
      def self.developed(uv_map, island)
        piece = Cut::Piece.of_island(uv_map, island)
        return unless piece.disc? && AngleDefect.call(piece).sum <= CURVED_RAD

        places = LeastSquaresConformal.call(piece.positions, piece.triangles, piece.border)
        return unless places && true_size?(piece, places)

        Upright.call(piece.positions, piece.triangles, places, uv_map.mean_normals[island, true].reshape(1, 3))
      end

      # A conformal map keeps angles on a dome too, but not sizes.
      def self.true_size?(piece, places)
        jacobians = UvMap::Jacobians.of(piece.positions, places, piece.triangles)
        solid = (jacobians.area_mm2 > 0).where
        large, small = jacobians.singular_values.map { |values| values[solid] }
        solid.empty? || (large.max <= KEPT && small.min >= 1 / KEPT)
      end

      # An island that looks to all sides is seen from the front.
      def self.across(uv_map, island, unit_mm)
        normal = uv_map.mean_normals[island, true].reshape(1, 3)
        round = Geometry::Vectors.lengths(normal)[0] < Mesh::Facing::ROUND
        axes = Axes.call(round ? Numo::DFloat[[0, 0, 1]] : Geometry::Vectors.unit(normal))
        positions = uv_map.mesh.positions[uv_map.point_vertices[uv_map.island_points[island]], true] * unit_mm
        Geometry::Vectors.columns(axes.map { |axis| positions.dot(axis.flatten) })
      end

      def self.spans(places) = (places.max(axis: 0) - places.min(axis: 0)).to_a
      private_class_method :developed, :true_size?, :across, :spans
    end
  end
end
