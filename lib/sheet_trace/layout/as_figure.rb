# frozen_string_literal: true

module SheetTrace
  class Layout
    # Places boxes so that each is left of, right of, above and below all others as on the model, with room between
    # them. Of two boxes one direction keeps them apart, that in which they are further apart for their size; in the
    # other only their order is kept. Along either direction the places are those in the middle between as far to the
    # one side and as far to the other as the constraints allow; what is at one height on the model stays so.
    # Source: longest paths in constraint graphs, as for compaction, Lengauer, "Combinatorial Algorithms for Integrated
    #   Circuit Layout", 1990, chapter 10.
    module AsFigure
      # Middles nearer than this share of the whole are at one height, or one beside the other.
      SAME = 1e-4
      # Share of a box's size by which the order is kept where nothing else keeps boxes apart.
      STEP = 1e-3
      private_constant :SAME, :STEP

      # @param middles [Array<Array(Float, Float)>] on the model as it is looked at: right, down
      # @param sizes [Array<Array(Float, Float)>] width and height
      # @param gap [Float] between boxes
      # @return [Array<Array(Float, Float)>] where their middles come to lie; the same unit
      def self.call(middles, sizes, gap:)
        levels = [0, 1].map { |axis| levels(middles.map { |middle| middle[axis] }) }
        apart = [[], []]
        middles
          .each_index
          .to_a
          .combination(2) do |i, j|
            axis = further(levels, middles, sizes, i, j)
            apart[axis] << [i, j, ((sizes[i][axis] + sizes[j][axis]) / 2) + gap]
          end
        smallest = sizes.flatten.max.to_f * STEP
        [0, 1].map { |axis| between(levels[axis], apart[axis], smallest) }.transpose
      end

      # @return [Array<Integer>] ranks, equal where values are
      def self.levels(values)
        near = [(values.max - values.min) * SAME, Float::MIN].max
        ranks = Array.new(values.size)
        rank = -1
        last = nil
        values
          .each_index
          .sort_by { |i| values[i] }
          .each do |i|
            rank += 1 if last.nil? || values[i] - last > near
            last = values[i]
            ranks[i] = rank
          end
        ranks
      end

      # The direction that keeps two boxes apart. Those on one spot are set beside each other, the first left.
      def self.further(levels, middles, sizes, i, j)
        same = levels.map { |ranks| ranks[i] == ranks[j] }
        if same.all?
          levels[0][j] += 0.5 if levels[0][i] == levels[0][j]
          return 0
        end
        return same[0] ? 1 : 0 if same.any?

        shares = [0, 1].map { |axis| (middles[i][axis] - middles[j][axis]).abs / (sizes[i][axis] + sizes[j][axis]) }
        shares[0] >= shares[1] ? 0 : 1
      end

      # @return [Array<Float>]
      def self.between(ranks, apart, step)
        low = pushed(ranks, apart, step)
        turned = pushed(ranks.map(&:-@), apart, step)
        length = [low.max, turned.max].max
        low.zip(turned).map { |near, far| (near + length - far) / 2 }
      end

      # As far to the low side as the constraints allow.
      def self.pushed(ranks, apart, step)
        before = Hash.new { |all, rank| all[rank] = [] }
        apart.each do |i, j, gap|
          low, high = [i, j].sort_by { |box| ranks[box] }
          before[ranks[high]] << [ranks[low], gap] if ranks[low] < ranks[high]
        end
        places = {}
        last = nil
        ranks.uniq.sort.each do |rank|
          places[rank] = [
            0.0,
            *(places[last] + step if last),
            *before[rank].map { |other, gap| places[other] + gap }
          ].max
          last = rank
        end
        ranks.map { |rank| places[rank] }
      end
      private_class_method :levels, :further, :between, :pushed
    end
  end
end
