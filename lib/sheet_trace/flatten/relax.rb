# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Evens out a flat map that lies on the sheet already, step by step, from where it lies: spacing comes nearer to
    # true spacing on the
    # model. The border is free or held; pins stay to the bit.
    module Relax
      # How far spacing is from true spacing: the factor by which it is too wide or too narrow, whichever is more, 1
      # where it is true;
      # the mean weighted by area.
      #
      # @param piece [Cut::Piece]
      # @param places [Numo::DFloat] n x 2, the unit of the positions
      # @return [Float]
      def self.spacing(piece, places)
        jacobians = UvMap::Jacobians.of(piece.positions, places, piece.triangles)
        large, small = jacobians.singular_values
        area = jacobians.invertible_area_mm2
        if area.sum.zero?
          1.0
        else
          (Numo::DFloat.maximum(large, 1 / Numo::DFloat.maximum(small, 1e-12)) * area).sum / area.sum
        end
      end

      # @param piece [Cut::Piece]
      # @param places [Numo::DFloat] n x 2, the unit of the positions, y up, not mirrored, at about true scale
      # @param held [Boolean] whether the border stays
      # @param pins [Array<Integer>] vertices of the piece that stay
      # @yieldparam step [Integer] 1, 2 ...
      # @yieldparam places [Numo::DFloat] n x 2; a false answer stops
      # @return [Numo::DFloat] n x 2
      # @raise [MeshError] if the piece folds over where it lies, or nothing is left to move; where: { turned: } or
      #   { pins: }
      def self.call(piece, places, held: false, pins: [])
        turned = Unfold.turned(piece, places)
        if turned.positive?
          raise MeshError.new(
                  "#{turned} of its triangles are turned over or have no area; lay it flat anew first",
                  where: {
                    turned: turned
                  }
                )
        end

        stay = (pins + (held ? piece.border.flatten : [])).uniq
        if stay.size == places.shape[0]
          raise MeshError.new("all its corners are held; nothing is left to move", where: { pins: stay.size })
        end

        step = 0
        Unfold.call(
          piece,
          pins: stay.to_h { |vertex| [vertex, places[vertex, true].to_a] },
          start: places
        ) do |_energy, now|
          step += 1
          block_given? ? yield(step, now) : true
        end
      end
    end
  end
end
