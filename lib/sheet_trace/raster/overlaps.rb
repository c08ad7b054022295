# frozen_string_literal: true

module SheetTrace
  module Raster
    # Counts the texels that two groups of triangles both cover.
    module Overlaps
      # @param texels [Numo::Int64] n texel numbers, as Rasterise gives them
      # @param groups [Numo::Int64] n: the group that covers each
      # @param count [Integer] of groups
      # @return [Hash{Array(Integer, Integer) => Integer}] pairs of groups, the lower first, and the texels they share
      def self.call(texels, groups, count)
        return {} if texels.empty?

        twice = texels.bincount.gt(1)[texels].where # most texels are covered once
        return {} if twice.empty?

        keys = (texels[twice] * count) + groups[twice]
        ranks, distinct = Geometry::Grouped.ranks(keys)
        keys = keys[Geometry::Grouped.representatives(ranks, distinct)]
        tally(keys / count, keys % count, count)
      end

      # Rows are sorted by texel and group: those of one texel stand together, at any distance from each other.
      def self.tally(texels, groups, count)
        found = Hash.new(0)
        (1...texels.size).each do |distance|
          same = texels[distance..].eq(texels[0...-distance]).where
          break if same.empty?

          pairs, times = counted((groups[same] * count) + groups[same + distance])
          pairs.zip(times) { |pair, shared| found[pair.divmod(count)] += shared }
        end
        found
      end

      def self.counted(keys)
        ranks, distinct = Geometry::Grouped.ranks(keys)
        [keys[Geometry::Grouped.representatives(ranks, distinct)].to_a, ranks.bincount(minlength: distinct).to_a]
      end
      private_class_method :tally, :counted
    end
  end
end
