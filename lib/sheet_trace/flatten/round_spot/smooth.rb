# frozen_string_literal: true

module SheetTrace
  module Flatten
    class RoundSpot
      # A patch laid on without a crack as far as the surface allows: by a fan from the spot, which is exact wherever
      # the surface can lie flat; where it can't, evened out, what is near the spot counting most. What would be smeared
      # over what lies between, as at the back of a tube, is torn there.
      class Smooth
        # Mean stretch from which on it is evened out.
        TRUE_ENOUGH = 1.002
        # How much less a triangle counts the farther off it is: 1 / (far ** FADE + LEAST), far as a share of the reach.
        FADE = 4
        LEAST = 0.01
        # Triangles about the spot that say where upright is.
        NEAREST = 8
        private_constant :TRUE_ENOUGH, :FADE, :LEAST, :NEAREST

        # @param patch [SpotPatch]
        # @param axes [Array] right and up at the spot
        # @param reach [Float]
        # @return [Array<Array(Float, Float), nil>] 3 n
        def self.call(patch, axes, reach)
          places = Fan.call(patch, axes, reach)
          Tear.call(patch, new(patch, reach, places).send(:evened) || places.values_at(*patch.vertices))
        end

        def initialize(patch, reach, places)
          @patch = patch
          @reach = reach
          @places = places
        end
        private_class_method :new

        private

        # @return [Array<Array(Float, Float), nil>, nil] 3 n; nil where there is nothing to even out, or no way to
        def evened
          rows = near_rows
          vertices = @patch.vertices.values_at(*rows.flat_map { |row| [3 * row, (3 * row) + 1, (3 * row) + 2] })
          used = vertices.uniq
          piece = piece(used, vertices)
          start = Numo::DFloat.cast(@places.values_at(*used).flatten).reshape(used.size, 2)
          return if SuggestReliefCuts.stretch(piece, start) < TRUE_ENOUGH || Unfold.turned(piece, start).positive?

          evened = Unfold.call(piece, start: start, weights: weights(rows))
          numbers = used.each_with_index.to_h
          back = as_the_fan_has_it(evened - evened[[numbers[@patch.seed]], true], rows, numbers).to_a
          laid = Array.new(@patch.vertices.size)
          rows.each { |row| 3.times { |k| laid[(3 * row) + k] = back[numbers[@patch.vertices[(3 * row) + k]]] } }
          laid
        end

        # Triangles that have a place, and a corner within reach.
        def near_rows
          (0...@patch.count).select do |row|
            own = @places.values_at(*@patch.vertices[3 * row, 3])
            own.all? && own.any? { |x, y| Math.hypot(x, y) <= @reach }
          end
        end

        def piece(used, vertices)
          numbers = used.each_with_index.to_h
          triangles = Numo::Int32.cast(numbers.values_at(*vertices)).reshape(vertices.size / 3, 3)
          Cut::Piece.of_triangles(@patch.positions[used, true], triangles)
        end

        def far(row)
          @places.values_at(*@patch.vertices[3 * row, 3]).sum { |x, y| Math.hypot(x, y) } / 3 / @reach
        end

        def weights(rows) = Numo::DFloat.cast(rows.map { |row| 1 / ((far(row)**FADE) + LEAST) })

        # Turned and scaled so that the triangles about the spot are as the fan has laid them.
        def as_the_fan_has_it(places, rows, numbers)
          vertices = rows.min_by(NEAREST) { |row| far(row) }.flat_map { |row| @patch.vertices[3 * row, 3] }
          from = places[numbers.values_at(*vertices), true]
          to = Numo::DFloat.cast(@places.values_at(*vertices))
          square = (from**2).sum
          cos = (from * to).sum / square
          sin = ((from[true, 0] * to[true, 1]) - (from[true, 1] * to[true, 0])).sum / square
          Geometry::Vectors.columns(
            [(places[true, 0] * cos) - (places[true, 1] * sin), (places[true, 0] * sin) + (places[true, 1] * cos)]
          )
        end
      end
    end
  end
end
