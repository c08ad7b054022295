# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # Places along the outlines of shapes that are near another shape, and how near they are.
      class Contacts
        JUST_WITHIN = 1e-6
        private_constant :JUST_WITHIN

        # @param fields [DistanceFields] of all shapes
        # @param apart [Numo::SFloat] n, px that the pairs are kept apart; one, other [Numo::Int64] n shapes
        # @param pair [Numo::Int64] m, which pair each place is of; x, y [Numo::DFloat] m, px from the one shape's left
        #   and top, at its given size
        def initialize(fields, apart, one, other, pair, x, y)
          @fields = fields
          @apart = apart
          @one = one
          @other = other
          @pair = pair
          @along = [x, y]
          @corners = [fields.columns, fields.rows].map { |count| count[other][pair] }
          @first = fields.first[other][pair]
        end

        # @param grown [Numo::DFloat] by shape, how many times as large as given it is
        def resize(grown)
          @px = grown[@other] * @fields.cell
          larger = (grown[@one] / @px)[@pair]
          @own =
            @along
              .zip([@fields.left, @fields.top])
              .map { |along, start| (along * larger) - (start[@other] / @fields.cell)[@pair] }
          @most = @corners.map { |count| Numo::DFloat.cast(count) - 1 - JUST_WITHIN }
        end

        # Leaves out places that are farther from the other shape.
        #
        # @param at [Numo::DFloat] 2 x n, left and top of each shape, px; reach [Float] px
        def keep_near(at, reach)
          near = distances(at).first.lt(reach).where
          @pair, @first = [@pair, @first].map { |values| values[near] }
          @along, @corners, @own, @most =
            [@along, @corners, @own, @most].map { |axes| axes.map { |values| values[near] } }
        end

        # @param at [Numo::DFloat] 2 x n, left and top of each shape, px
        # @return [Array(Numo::DFloat, Numo::Int64, Numo::Int64, Array<Numo::DFloat>), nil] of each place that is nearer
        #   than it may: by how many px; the one shape and the other; the way from the other, x and y. nil if there is
        #   none
        def call(at)
          return if @pair.empty?

          distances, ways = distances(at)
          depths = @apart[@pair] - distances
          deep = depths.gt(0).where
          return if deep.empty?

          pair = @pair[deep]
          [depths[deep], @one[pair], @other[pair], ways.call(deep)]
        end

        private

        # Between the four corners of the cell of the other's field that each place lies in.
        #
        # @return [Array(Numo::DFloat, Proc)] px; and how to have the ways of some of them
        def distances(at)
          (column, x), (row, y) = [0, 1].map { |axis| in_cells(at, axis) }
          corners = @fields.at(@first + (row * @corners[0]) + column)
          left, right, below_left, below_right = Array.new(4) { |k| corners[k, true] }
          above = left + ((right - left) * x)
          below = below_left + ((below_right - below_left) * x)
          ways =
            lambda do |some|
              across = (right - left)[some]
              across += ((below_right - below_left)[some] - across) * y[some]
              [across / @fields.cell, (below - above)[some] / @fields.cell]
            end
          [(above + ((below - above) * y)) * (@px / @fields.cell)[@pair], ways]
        end

        # @return [Array(Numo::Int32, Numo::DFloat)] the cell along one axis, and how far in it, 0 to 1
        def in_cells(at, axis)
          along = ((at[axis, @one] - at[axis, @other]) / @px)[@pair] + @own[axis]
          along = Numo::DFloat.minimum(Numo::DFloat.maximum(along, 0), @most[axis])
          cells = Numo::Int32.cast(along)
          [cells, along - cells]
        end
      end
    end
  end
end
