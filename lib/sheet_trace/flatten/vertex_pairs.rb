# frozen_string_literal: true

module SheetTrace
  module Flatten
    # Vertices of triangles, and pairs of them that share an edge, each once: where a symmetric matrix over the
    # vertices has
    # entries, and the sums of triangles' shares that stand there.
    class VertexPairs
      SIDES = [[0, 1], [0, 2], [1, 2]].freeze
      private_constant :SIDES

      # @return [Numo::Int64] e vertices: the lower and the higher of each pair
      attr_reader :low, :high

      # @param triangles [Numo::Int64] t x 3
      # @param count [Integer] n vertices
      def initialize(triangles, count)
        @count = count
        columns = Array.new(3) { |k| Numo::Int64.cast(triangles[true, k]) }
        @corners = Numo::Int32.cast(joined(columns))
        a, b = [0, 1].map { |end_of| joined(SIDES.map { |side| columns[side[end_of]] }) }
        low, high = [Numo::Int64.minimum(a, b), Numo::Int64.maximum(a, b)]
        ranks, @size = Geometry::Grouped.pair_ranks(low, high, count)
        @ranks = Numo::Int32.cast(ranks)
        turned = Numo::Int32.cast(a > b)
        @ordered_ranks = @ranks + (turned * @size)
        @ordered_ranks = @ordered_ranks.concatenate(@ranks + ((1 - turned) * @size))
        first = Geometry::Grouped.representatives(ranks, @size)
        @low = low[first].freeze
        @high = high[first].freeze
        freeze
      end

      # @return [Array(Numo::Int64, Numo::Int64)] rows and columns of the matrix on and above its diagonal: first
      #   the n vertices, then the e pairs
      def places = Numo::Int64.new(@count).seq.then { |own| [own.concatenate(low), own.concatenate(high)] }

      # @param shares [Hash{Array(Integer, Integer) => Numo::DFloat}] corner pairs, the first not the later one => t
      #   values
      # @return [Numo::DFloat] n + e sums, in the order of .places
      def sums(shares)
        own = Geometry::Grouped.sum(@corners, joined([0, 1, 2].map { |k| shares[[k, k]] }), @count)
        own.concatenate(Geometry::Grouped.sum(@ranks, joined(SIDES.map { |side| shares[side] }), @size))
      end

      # The same where it matters which vertex comes first.
      #
      # @param shares [Hash{Array(Integer, Integer) => Numo::DFloat}] all nine corner pairs => t values
      # @return [Numo::DFloat] n + e + e sums: in the order of .places, the lower vertex first, then the pairs with the
      #   higher one first
      def ordered_sums(shares)
        own = Geometry::Grouped.sum(@corners, joined([0, 1, 2].map { |k| shares[[k, k]] }), @count)
        pairs = joined((SIDES + SIDES.map(&:reverse)).map { |side| shares[side] })
        own.concatenate(Geometry::Grouped.sum(@ordered_ranks, pairs, 2 * @size))
      end

      # @param corners [Array<Numo::DFloat>] t values for each of the three corners
      # @return [Numo::DFloat] n sums
      def by_vertex(corners) = Geometry::Grouped.sum(@corners, joined(corners), @count)

      private

      def joined(lists) = lists.first.concatenate(*lists.drop(1))
    end
  end
end
