# frozen_string_literal: true

module SheetTrace
  module Fit
    class Match
      # Loose panels of a solid onto a printed net. A net is seen from outside, so that it is known how it is folded:
      # once one panel lies on one cell, turned one way, what lies across each of its sides on the model lies on the
      # cell beside it, and so on. So it does not matter in which order faces, islands or cells come.
      class Folded
        # Of several placements that are as good, as there are on a box that is the same either way round.
        AS_GOOD = 0.005
        private_constant :AS_GOOD

        # spots [Hash{Integer => Array(Integer, Integer)}] cell of the group => unit and quarters it is turned by
        # score [Float] 0 to 1; rivals [Integer] other placements that are as good
        Placement = Struct.new(:spots, :score, :rivals, keyword_init: true)
        # The solid can't be folded so.
        NONE = Placement.new(spots: {}, score: 0.0, rivals: 0).freeze

        # @param ways [Array<Hash{Integer => Array(Integer, Integer)}>] of the cells, as Groups.ways gives them
        # @param sides [Array<Hash{Integer => Array(Float, Float)}>] of the units, as Neighbours.of_islands gives them
        # @param front [Proc] takes a unit, gives whether it looks to the front
        # @yieldparam cell [Integer]; unit [Integer]; quarters [Integer]
        # @yieldreturn [Float] how well the unit fits the cell so, 0 to 1
        # @return [Placement] NONE where the solid can't be folded so
        def self.call(ways, sides, front:, &fit) = new(ways, sides, front).send(:best, fit)

        def initialize(ways, sides, front)
          @ways = ways
          @sides = sides
          @front = front
          @root = ways.each_index.max_by { |cell| [ways[cell].size, -cell] }
        end
        private_class_method :new

        private

        def best(fit)
          found =
            @sides
              .each_index
              .to_a
              .product([0, 1, 2, 3])
              .filter_map do |unit, quarters|
                spots = folded(unit, quarters) or next
                fits = spots.map { |cell, (own, turn)| fit.call(cell, own, turn) }
                [spots, fits.reduce(:*)**(1.0 / fits.size)]
              end
          return NONE if found.empty?

          highest = found.map(&:last).max
          good = found.select { |_spots, score| score >= highest - AS_GOOD }
          spots, score = good.max_by { |own, _score| custom(own) }
          Placement.new(spots: spots, score: score, rivals: good.size - 1)
        end

        # By custom the front is on the panel with the most neighbours, upright.
        def custom(spots)
          unit, quarters = spots[@root]
          [@front.call(unit) ? 1 : 0, quarters.zero? ? 1 : 0, -unit, -quarters]
        end

        # @return [Hash, nil] nil where what lies across a side has another place already, or is not there
        def folded(unit, quarters)
          spots = { @root => [unit, quarters] }
          reached = [@root]
          reached.each do |cell|
            @ways[cell].each do |other, way|
              across = neighbour(*spots[cell], way) or return nil
              return nil if spots.key?(other) ? spots[other] != across : spots.any? { |_, (own, _)| own == across[0] }
              next if spots.key?(other)

              spots[other] = across
              reached << other
            end
          end
          spots if spots.size == @ways.size
        end

        # @return [Array(Integer, Integer), nil] what lies that way on the model, and how it is turned then
        def neighbour(unit, quarters, way)
          other, = @sides[unit].find { |_own, side| direction(side, quarters) == way }
          back = other && @sides[other][unit] or return
          turn = (0..3).find { |some| direction(back, some) == way.map(&:-@) }
          turn && [other, turn]
        end

        # @return [Array(Integer, Integer), nil] the side that a place lies at, turned clockwise; nil at a corner
        def direction((x, y), quarters)
          quarters.times { x, y = [-y, x] }
          return if x.abs == y.abs

          x.abs > y.abs ? [x <=> 0, 0] : [0, y <=> 0]
        end
      end
    end
  end
end
