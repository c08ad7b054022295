# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Evens out a flat map that lies on the sheet already, step by step, from where it lies: spacing comes nearer to
    # true spacing on the
    # model. The border is free or held; pins stay to the bit.
    module Relax
      LARGEST = 1e9
      private_constant :LARGEST

      # How far spacing is from true spacing: the factor by which it would be too wide if it were everywhere alike, and
      # as far off as it is (by the energy that each step lowers, so that it falls with each); 1 where it is true.
      #
      # @param piece [Cut::Piece]
      # @param places [Numo::DFloat] n x 2, the unit of the positions
      # @return [Float]
      def self.spacing(piece, places)
        plane = PlaneTriangles.new(piece.positions, piece.triangles)
        return 1.0 if plane.areas.sum.zero?

        # Of a factor f both ways the energy is 2 (f^2 + 1 / f^2).
        half = [SymmetricDirichlet.new(plane).mean(places) / 4, 1.0].max
        [Math.sqrt(half + Math.sqrt((half * half) - 1)), LARGEST].min
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
