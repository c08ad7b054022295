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
        # What lies beyond the sheet counts as taken.
        taken = Numo::UInt8.ones(height_px + (2 * reach_px), wide)
        middle = [reach_px...(reach_px + height_px), reach_px...(reach_px + width_px)]
        taken[*middle] = Numo::UInt8.cast(owner.gt(0)).reshape(height_px, width_px)
        taken = taken.flatten
        rim = rim(taken, wide, height_px, reach_px)
        pairs =
          ways(reach_px).filter_map do |down, right|
            targets = rim - ((down * wide) + right)
            free = Geometry::Take.call(taken, targets).eq(0).where
            next if free.empty?

            found = Geometry::Take.call(targets, free)
            taken[found] = 1
            [found, Geometry::Take.call(rim, free)]
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

      # Where what is taken and what is free lie beside each other, the taken one.
      #
      # @return [Numo::Int32] covered texels with a free one beside them, each once, rising
      def self.rim(taken, wide, height_px, reach_px)
        beside =
          [1, wide].map do |step|
            first = taken[0...-step].ne(taken[step..]).where
            first + (Numo::Int32.cast(Geometry::Take.call(taken, first).eq(0)) * step)
          end
        beside = Numo::Int32.cast(Geometry::Grouped.joined(beside))
        return beside if beside.empty?

        beside = beside.sort
        row = beside / wide
        column = beside - (row * wide)
        on_sheet = row.ge(reach_px) & row.lt(reach_px + height_px) & column.ge(reach_px) & column.lt(wide - reach_px)
        first = Numo::Bit.ones(beside.size)
        first[1..] = beside[1..].ne(beside[0...-1]) if beside.size > 1
        Geometry::Take.call(beside, (on_sheet & first).where)
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
