# frozen_string_literal: true

module SheetTrace
  module Raster
    # Bleed over a few px: the texels on the rims of islands are pushed to all places about them, the nearest places
    # first, and each texel keeps what came first. The nearest covered texel always lies on a rim: one step from it
    # towards the texel outside is nearer, and so not covered.
    #
    # O(rim texels * reach^2), which beats Bleed's way by bands as long as the reach is short.
    module NearBleed
      # As far as it is quicker, px.
      LARGEST_PX = 8
      private_constant :LARGEST_PX

      def self.near?(reach_px) = reach_px.between?(1, LARGEST_PX)

      # @param owner [Numo::Int32] width * height texels in rows, 0 where no island is
      # @param reach_px [Integer] that is near
      # @return [Array(Numo::Int32, Numo::Int32)] as Bleed.call, to the texel
      def self.call(owner, width_px, height_px, reach_px)
        wide = width_px + (2 * reach_px)
        middle = [reach_px...(reach_px + height_px), reach_px...(reach_px + width_px)]
        covered = Numo::UInt8.zeros(height_px + (2 * reach_px), wide)
        covered[*middle] = owner.gt(0).reshape(height_px, width_px)
        # What lies beyond the sheet counts as taken.
        taken = Numo::UInt8.ones(*covered.shape)
        taken[*middle] = covered[*middle]
        taken = taken.flatten
        rim = rim(covered.flatten, taken, wide)
        pairs =
          ways(reach_px).filter_map do |down, right|
            targets = rim - ((down * wide) + right)
            free = taken[targets].eq(0).where
            next if free.empty?

            found = targets[free].copy
            taken[found] = 1
            [found, rim[free].copy]
          end
        unpadded(pairs, wide, width_px, reach_px)
      end

      # Ways from a target to its source in Bleed's order: the nearest first; of those the uppermost, of those the
      # leftmost; but what lies straight beside, one column beyond those that Bleed looks at together, comes last.
      def self.ways(reach_px)
        steps = (-reach_px..reach_px).to_a
        steps
          .product(steps)
          .reject { |down, right| down.zero? && right.zero? }
          .map do |down, right|
            [(down * down) + (right * right), down.zero? && right.abs == Bleed::STEP + 1 ? 1 : 0, down, right]
          end
          .select { |squared, *| squared <= reach_px * reach_px }
          .sort
          .map { |way| way.last(2) }
      end

      # @return [Numo::Int32] covered texels with a free one beside them
      def self.rim(covered, taken, wide)
        last = taken.size - wide
        least =
          [-wide, wide, -1, 1].map { |by| taken[(wide + by)...(last + by)] }.reduce { |a, b| Numo::UInt8.minimum(a, b) }
        Numo::Int32.cast(covered[wide...last].gt(least).where) + wide
      end

      def self.unpadded(pairs, wide, width_px, reach_px)
        return Numo::Int32.zeros(0), Numo::Int32.zeros(0) if pairs.empty?

        targets, sources =
          pairs.transpose.map do |arrays|
            texels = Geometry::Grouped.joined(arrays)
            rows = texels / wide
            texels - (rows * wide) - reach_px + ((rows - reach_px) * width_px)
          end
        order = targets.sort_index
        [targets[order], sources[order]]
      end
      private_class_method :ways, :rim, :unpadded
    end
  end
end
