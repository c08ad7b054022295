# frozen_string_literal: true

module SheetTrace
  module Raster
    # Finds groups of texels that lie closer together than they should: each rim texel looks at the offsets within
    # reach, nearest first. O(rim texels x reach^2).
    module Gaps
      # @param owner [Numo::Int32] height x width: group + 1 of each texel, 0 where there is none
      # @param least_px [Float] the gap wanted
      # @return [Hash{Array(Integer, Integer) => Float}] pairs of groups, the lower first, and the free px between them
      def self.call(owner, least_px)
        reach = least_px.ceil
        height, width = owner.shape
        stride = width + (2 * reach)
        grid = Numo::Int32.zeros(height + (2 * reach), stride)
        grid[reach...(reach + height), reach...(reach + width)] = owner
        rim = rim_of(grid)
        flat = grid.flatten
        own = flat[rim] unless rim.empty?
        rim.empty? ? {} : look(flat, rim, own, offsets(least_px, stride))
      end

      def self.look(flat, rim, own, offsets)
        found = {}
        most = flat.max + 1
        offsets.each do |step, gap|
          other = flat[rim + step]
          hit = (other.gt(0) & other.ne(own)).where
          next if hit.empty?

          low = Numo::Int64.cast(Numo::Int32.minimum(own[hit], other[hit]))
          high = Numo::Int64.cast(Numo::Int32.maximum(own[hit], other[hit]))
          ((low * most) + high).to_a.uniq.each { |key| found[key.divmod(most).map { |group| group - 1 }] ||= gap }
        end
        found
      end

      # Covered texels beside one that another group, or none, has.
      def self.rim_of(grid)
        width = grid.shape[1]
        middle = grid[1...-1, 1...-1]
        beside = [grid[0...-2, 1...-1], grid[2.., 1...-1], grid[1...-1, 0...-2], grid[1...-1, 2..]]
        edge = beside.map { |other| other.ne(middle) }.reduce(:|) & middle.gt(0)
        places = Numo::Int64.cast(edge.where)
        ((places / (width - 2)) * width) + (places % (width - 2)) + width + 1
      end

      # Half of the offsets do: the other group's rim texels look the other way.
      def self.offsets(least_px, stride)
        reach = least_px.ceil
        (0..reach)
          .to_a
          .product((-reach..reach).to_a)
          .filter_map do |dy, dx|
            gap = Math.hypot(dx, dy) - 1
            [(dy * stride) + dx, gap] if gap < least_px && gap >= 0 && (dy.positive? || dx.positive?)
          end
          .sort_by(&:last)
      end
      private_class_method :look, :rim_of, :offsets
    end
  end
end
