# frozen_string_literal: true

module SheetTrace
  module Raster
    # For texels outside the islands but within reach: the nearest texel on one, exact by distance between centres.
    # First, row by row, how far each texel has to the nearest covered one in its column; then, for texels near enough,
    # the least of dx^2 + dy^2 over the columns beside it, nearest columns first, until no other can be nearer.
    #
    # One integer holds distance^2, dy and dx, so that the least one also says where. Worked on in bands of rows, so
    # that memory is used again instead of fetched fresh; bands without a rim cost next to nothing.
    # O(texels + targets * distance)
    module Bleed
      LARGEST_PX = 64
      # So many times smaller a copy of the sheet may be, each half of the one before.
      COPIES = [1, 2, 4, 8, 16, 32].freeze
      LEAST_ROWS = 256 # of a band
      AT_ONCE = 16_384 # targets
      HERE = (128 << 8) + 128 # no way to go
      STEP = 4 # columns looked at before those that are settled are left out
      private_constant :LEAST_ROWS, :AT_ONCE, :HERE

      # How far a reduced copy takes colour from beyond an island's edge: read between its texels, the farthest that
      # counts has its middle one of them beyond, and reaches another half.
      # Source: box-filtered reductions read bilinearly, as in the OpenGL 4.6 specification, 8.14.
      #
      # @param copy [Integer] so many times smaller it is
      # @return [Integer] px
      def self.for_copy(copy) = [(1.5 * copy).ceil, LARGEST_PX].min

      # @param bleed_px [Integer]
      # @return [Integer, nil] so many times smaller is the smallest copy that it does for; nil if none
      def self.smallest_copy(bleed_px) = COPIES.reverse.find { |copy| for_copy(copy) <= bleed_px }

      # @param owner [Numo::Int32] width * height texels in rows, 0 where no island is
      # @param reach_px [Integer] 0..64
      # @return [Array(Numo::Int32, Numo::Int32)] texel numbers outside, rising, and the nearest texel on an island to
      #   each
      # @raise [InputError] where: { bleed_px: }
      def self.call(owner, width_px, height_px, reach_px)
        unless (0..LARGEST_PX).cover?(reach_px)
          raise InputError.new("bleed is #{reach_px} px; give 0 to #{LARGEST_PX}", where: { bleed_px: reach_px })
        end

        return NearBleed.call(owner, width_px, height_px, reach_px) if NearBleed.near?(reach_px)

        rows = [LEAST_ROWS, 4 * reach_px].max
        joined((0...height_px).step(rows).map { |top| band(owner, width_px, height_px, reach_px, top, rows) })
      end

      def self.band(owner, width_px, height_px, reach_px, top, rows)
        from = [top - reach_px, 0].max
        stop = [top + rows + reach_px, height_px].min
        part = owner[(from * width_px)...(stop * width_px)]
        return none if reach_px.zero? || part.min.positive? || part.max.zero?

        targets, sources = whole(part.reshape(stop - from, width_px), reach_px)
        kept = (targets.ge((top - from) * width_px) & targets.lt((top - from + rows) * width_px)).where
        chosen(kept, targets, sources).map { |numbers| numbers + (from * width_px) }
      end

      def self.whole(owner, reach_px)
        wide = owner.shape[1] + (2 * reach_px)
        columns, targets = columns_of(owner, reach_px)
        texels, codes =
          joined(
            (0...targets.size)
              .step(AT_ONCE)
              .map { |from| nearest(columns, targets[from...[from + AT_ONCE, targets.size].min], reach_px) }
          )
        return none if texels.empty?

        order = texels.sort_index
        texels, codes = chosen(order, texels, codes)
        texels = (((texels / wide) - reach_px) * owner.shape[1]) + (texels % wide) - reach_px
        [texels, texels + ((((codes >> 8) & 255) - 128) * owner.shape[1]) + (codes & 255) - 128]
      end

      # @return [Array(Numo::Int32, Numo::Int32)] codes of dy, with reach more texels on all sides, flat; targets among
      #   them, rising
      def self.columns_of(owner, reach)
        height, width = owner.shape
        wide = width + (2 * reach)
        far = (2 * ((reach + 1)**2)) << 16
        middle = [reach...(reach + height), reach...(reach + width)]
        covered = Numo::UInt8.zeros(height + (2 * reach), wide)
        covered[*middle] = owner.gt(0)
        codes = Numo::Int32.new(*covered.shape).fill(far)
        codes[*middle] = (Numo::Int32.cast(owner.gt(0)) * (HERE - far)) + far
        beside = Numo::UInt8.minimum(covered[0...-2, true], covered[2.., true])
        rim = covered[1...-1, true].gt(beside).where + wide
        codes = codes.flatten
        spread(codes, rim, wide, reach, far)
        [codes, targets(covered, codes, middle, reach, far)]
      end

      # Up and down from the covered texels at the rims, nearest first.
      def self.spread(codes, rim, wide, reach, far)
        sides =
          [-1, 1].map do |way|
            [way, Geometry::Take.call(rim, Geometry::Take.call(codes, rim + (way * wide)).eq(far).where)]
          end
        (1..reach).each do |dy|
          sides.map! do |way, from|
            to = from + (dy * way * wide)
            free = Geometry::Take.call(codes, to).gt(HERE).where # those that ran into an island stop there
            to, from = chosen(free, to, from)
            codes[to] = Numo::Int32.minimum(
              Geometry::Take.call(codes, to),
              HERE + (dy * dy * 65_536) - (dy * way * 256)
            )
            [way, from]
          end
        end
      end

      # Uncovered texels with a column within reach beside them that has a covered one within reach.
      def self.targets(covered, codes, middle, reach, far)
        near = Numo::Int32.cast(codes.lt(far))
        near.inplace.cumsum
        reached = near[((2 * reach) + 1)..].gt(near[0...((-2 * reach) - 1)])
        inside = Numo::UInt8.zeros(*covered.shape)
        inside[*middle] = 1
        free = inside.gt(covered).flatten[(reach + 1)...-reach]
        (reached & free).where + reach + 1
      end

      def self.nearest(columns, targets, reach)
        targets = Geometry::Take.copy(targets)
        best = Geometry::Take.call(columns, targets)
        done = []
        (1..reach).each do |dx|
          [dx, -dx].each do |by|
            beside = Geometry::Take.call(columns, targets + by)
            best = Numo::Int32.minimum(best, Geometry::InPlace.call(beside, [:+, (dx * dx * 65_536) + by]))
          end
          next unless (dx % STEP).zero? || dx == reach

          open = (best >> 16).gt((dx + 1)**2)
          done << chosen((~open).where, targets, best)
          left = open.where
          break if left.empty?

          targets, best = chosen(left, targets, best)
          done << [targets, best] if dx == reach
        end
        texels, codes = joined(done)
        chosen((codes >> 16).le(reach * reach).where, texels, codes)
      end

      def self.chosen(rows, *arrays) = arrays.map { |numbers| Geometry::Take.call(numbers, rows) }

      def self.joined(pairs)
        filled = pairs.reject { |numbers, _| numbers.empty? }
        return none if filled.empty?

        filled.transpose.map { |arrays| Geometry::Grouped.joined(arrays) }
      end

      def self.none = [Numo::Int32.zeros(0), Numo::Int32.zeros(0)]
      private_class_method :band, :whole, :columns_of, :spread, :targets, :nearest, :chosen, :joined, :none
    end
  end
end
