# frozen_string_literal: true

module SheetTrace
  module Raster
    # Finds, for texels a little outside the islands, the nearest texel on one. Only rim texels can be
    # nearest, so each is carried to every offset within reach, nearest offsets first.
    # O(rim texels x reach^2).
    module Bleed
      LARGEST_PX = 64

      # @param texel_map [TexelMap]
      # @param reach_px [Integer] 0..64
      # @return [Array(Numo::Int64, Numo::Int64)] texel numbers outside, and the nearest texel on an island to each
      # @raise [InputError] where: { bleed_px: }
      def self.call(texel_map, reach_px)
        unless (0..LARGEST_PX).cover?(reach_px)
          raise InputError.new("bleed is #{reach_px} px; give 0 to #{LARGEST_PX}", where: { bleed_px: reach_px })
        end

        width = texel_map.width_px
        height = texel_map.height_px
        source = Numo::Int64.zeros(width * height) # texel number + 1; 0 where none is near enough
        rim = rim_of(texel_map)
        return rim, rim if rim.empty?

        x = rim % width
        y = rim / width
        taken = texel_map.coverage.copy
        offsets(reach_px).each do |dx, dy|
          inside = ((x + dx) >= 0) & ((x + dx) < width) & ((y + dy) >= 0) & ((y + dy) < height)
          from = rim[inside]
          to = from + (dy * width) + dx
          free = taken[to].eq(0)
          source[to[free]] = from[free] + 1
          taken[to[free]] = 1
        end
        targets = source.gt(0).where
        [targets, source[targets] - 1]
      end

      # @return [Numo::Int64] covered texels with one beside them that is not; those at the sheet's border bleed
      #   nowhere and do no harm
      def self.rim_of(texel_map)
        width = texel_map.width_px
        grid = Numo::UInt8.zeros(texel_map.height_px + 2, width + 2)
        grid[1..-2, 1..-2] = Numo::UInt8.cast(texel_map.coverage).reshape(texel_map.height_px, width)
        around = grid[0..-3, 1..-2] + grid[2..-1, 1..-2] + grid[1..-2, 0..-3] + grid[1..-2, 2..-1]
        (grid[1..-2, 1..-2].eq(1) & around.lt(4)).flatten.where.then { |rim| Numo::Int64.cast(rim) }
      end

      def self.offsets(reach)
        (-reach..reach)
          .to_a
          .product((-reach..reach).to_a)
          .reject { |dx, dy| (dx.zero? && dy.zero?) || (dx * dx) + (dy * dy) > reach * reach }
          .sort_by { |dx, dy| (dx * dx) + (dy * dy) }
      end
      private_class_method :offsets
    end
  end
end
