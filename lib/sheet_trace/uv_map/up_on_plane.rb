# frozen_string_literal: true

module SheetTrace
  class UvMap
    # Where up on the model points on a plane that pieces of it are laid on, on the mean of each piece.
    #
    # Where a piece goes round and up points all ways, as on the net of a box, the side that most of it looks to says
    # it, the front before the top before others.
    class UpOnPlane
      # Share of the triangles' own ups that must be left of them together, for it to say something.
      CLEAR = 0.2
      # Cosine up to which a triangle looks to a side of the model.
      STRAIGHT = Math.cos(Math::PI / 4)
      private_constant :CLEAR, :STRAIGHT

      # @param jacobians [Jacobians] of t triangles, from the model to the plane
      # @param triangle_normals [Numo::DFloat] t x 3, of any length
      # @param normals [Numo::DFloat] K x 3 the mean of the unit normals of each piece, as UvMap#mean_normals
      # @param pieces [Numo::Int32] t: the piece that each triangle is of, 0...K
      # @return [Array(Numo::DFloat, Numo::DFloat)] x and y of up, K each, of any length
      def self.call(jacobians, triangle_normals, normals, pieces) =
        new(jacobians, triangle_normals, normals, pieces).send(:ups)

      def initialize(jacobians, triangle_normals, normals, pieces)
        @jacobians = jacobians
        @triangle_normals = triangle_normals
        @normals = normals
        @pieces = pieces
      end
      private_class_method :new

      private

      def sum(values) = Geometry::Grouped.sum(@pieces, values, @normals.shape[0])

      def ups
        x, y = on_plane(Mesh::Facing.up(@normals)[@pieces, true], @jacobians.area_mm2)
        rows = lost(x, y)[@pieces].where
        x[rows], y[rows] = of_main_sides.map { |column| column[rows] } unless rows.empty?
        [sum(x), sum(y)]
      end

      def lost(x, y)
        (Numo::NMath.hypot(sum(x), sum(y)) < sum(Numo::NMath.hypot(x, y)) * CLEAR) &
          (Geometry::Vectors.lengths(@normals) < Mesh::Facing::ROUND)
      end

      # Where up points at each triangle, times a weight.
      def on_plane(up, weight) =
        @jacobians.on_plane(Array.new(3) { |axis| up[true, axis] }).map { |part| part * weight }

      def of_main_sides
        unit = Geometry::Vectors.unit(@triangle_normals)
        weight = @jacobians.area_mm2 * (1 + unit[true, 2].clip(0, 1) + (unit[true, 1].clip(0, 1) / 2))
        sides = Array.new(6) { |side| (side.even? ? unit[true, side / 2] : -unit[true, side / 2]) > STRAIGHT }
        main = main_sides(sides, weight)
        looking = sides.each_with_index.map { |looks, side| looks & main.eq(side)[@pieces] }.reduce(:|)
        on_plane(Mesh::Facing.up(unit), @jacobians.area_mm2 * Numo::DFloat.cast(looking))
      end

      # @return [Numo::Int32] by piece: the side that most of it looks to, by weight; the first of several
      def main_sides(sides, weight)
        shares = sides.map { |looks| sum(weight * Numo::DFloat.cast(looks)).to_a.map { |share| share.round(6) } }
        Numo::Int32.cast(shares.transpose.map { |own| own.each_index.max_by { |side| [own[side], -side] } })
      end
    end
  end
end
