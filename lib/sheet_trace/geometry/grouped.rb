# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Sums, extremes and ranks over groups of the rows of an array. All of it vectorised but the
    # extremes, which walk the rows once in Ruby.
    module Grouped
      # @param groups [Numo::Int32] n group numbers, each 0...count
      # @param values [Numo::DFloat] n values
      # @return [Numo::DFloat] count sums
      def self.sum(groups, values, count)
        return Numo::DFloat.zeros(count) if groups.empty? || count.zero?

        groups.bincount(values, minlength: count)
      end

      # @param values [Numo::DFloat] n x k
      # @return [Numo::DFloat] count x k
      def self.sum_rows(groups, values, count)
        columns = Array.new(values.shape[1]) { |k| sum(groups, values[true, k], count) }
        Numo::DFloat
          .zeros(count, columns.size)
          .tap { |out| columns.each_with_index { |column, k| out[true, k] = column } }
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] count smallest and count largest values; an empty
      #   group has Infinity and -Infinity
      def self.extremes(groups, values, count)
        return extremes_by_slice(groups, values, count) if count * FEW < groups.size

        low = Array.new(count, Float::INFINITY)
        high = Array.new(count, -Float::INFINITY)
        numbers = values.to_a
        groups.to_a.each_with_index do |group, i|
          value = numbers[i]
          low[group] = value if value < low[group]
          high[group] = value if value > high[group]
        end
        [Numo::DFloat.cast(low), Numo::DFloat.cast(high)]
      end

      # Groups so much larger than their number that sorting them apart pays.
      FEW = 32
      private_constant :FEW

      def self.extremes_by_slice(groups, values, count)
        sorted = values[groups.sort_index]
        ends = groups.bincount(minlength: count).cumsum.to_a
        start = 0
        pairs =
          ends.map do |stop|
            slice = start...stop
            start = stop
            slice.none? ? [Float::INFINITY, -Float::INFINITY] : sorted[slice].minmax
          end
        low, high = pairs.transpose
        [Numo::DFloat.cast(low), Numo::DFloat.cast(high)]
      end
      private_class_method :extremes_by_slice

      # Numbers the distinct values from 0 in rising order. O(n log n).
      #
      # @param values [Numo::NArray] n values
      # @return [Array(Numo::Int64, Integer)] the rank of each value, and how many distinct values there are
      def self.ranks(values)
        return Numo::Int64.zeros(0), 0 if values.empty?

        order = values.sort_index
        sorted = values[order]
        steps = Numo::Int64.zeros(values.size)
        steps[1..] = sorted[1..].ne(sorted[0...-1]) if values.size > 1
        numbers = steps.cumsum
        ranks = Numo::Int64.zeros(values.size)
        ranks[order] = numbers
        [ranks, numbers[-1] + 1]
      end

      # Ranks of pairs: equal pairs have equal ranks.
      #
      # @param first [Numo::Int64] n values from 0 up
      # @param second [Numo::Int64] n values, each 0...second_count
      # @return [Array(Numo::Int64, Integer)] as .ranks
      def self.pair_ranks(first, second, second_count)
        ranks((Numo::Int64.cast(first) * second_count) + second)
      end

      # The index of one row of each rank: the first in storage order is not promised.
      #
      # @param ranks [Numo::Int64] n ranks, each 0...count
      # @return [Numo::Int64] count row indices
      def self.representatives(ranks, count)
        Numo::Int64.zeros(count).tap { |rows| rows[ranks] = Numo::Int64.new(ranks.size).seq }
      end

      # Repeats 0...counts.size, each number as often as its count says.
      #
      # @param counts [Numo::Int64] n counts, 0 allowed
      # @return [Numo::Int64] counts.sum numbers in rising order
      def self.repeat(counts)
        total = counts.sum
        return Numo::Int64.zeros(0) if total.zero?

        filled = counts.gt(0).where
        ends = counts[filled].cumsum
        steps = Numo::Int64.zeros(total)
        steps[0] = filled[0]
        steps[ends[0...-1]] = filled[1..] - filled[0...-1] if filled.size > 1
        steps.cumsum
      end

      # @param groups [Numo::Int64] n group numbers, each 0...count
      # @return [Array<Array<Integer>>] the rows of each group, rising
      def self.lists(groups, count)
        return Array.new(count) { [] } if groups.empty?

        # Group and row in one key, so that rows stay in order within a group.
        order = ((Numo::Int64.cast(groups) * groups.size) + Numo::Int64.new(groups.size).seq).sort_index.to_a
        start = 0
        groups.bincount(minlength: count).to_a.map { |size| order[start, size].tap { start += size } }
      end

      # @param lists [Array<Numo::Int64>]
      # @return [Numo::Int64] one behind the other
      def self.joined(lists)
        filled = lists.reject(&:empty?)
        filled.empty? ? Numo::Int64.zeros(0) : filled.first.concatenate(*filled[1..])
      end

      # For each number of .repeat, its place within its run: 0, 1, ... count - 1.
      def self.places(counts, repeated)
        starts = counts.cumsum - counts
        Numo::Int64.new(repeated.size).seq - starts[repeated]
      end
    end
  end
end
