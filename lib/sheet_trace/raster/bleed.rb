# frozen_string_literal: true

module SheetTrace
  module Raster
    # For texels outside the islands but within reach: the nearest texel on one, exact by distance between centres.
    #
    # The texels on the rims of islands are pushed to all places about them, the nearest places first, and each texel
    # keeps what came first. One step from the nearest covered texel towards the texel outside, along the row or along
    # the column, is nearer still, and so not covered: only rim texels with both of these free are pushed that way.
    #
    # O(texels + rim texels * reach^2); but few rim texels are free on two sides.
    module Bleed
      LARGEST_PX = 64
      # So many times smaller a copy of the sheet may be, each half of the one before.
      COPIES = [1, 2, 4, 8, 16, 32].freeze
      # Of places as near as others, straight beside and one column beyond each so many come last.
      STEP = 4
      WORD = 8
      private_constant :STEP, :WORD

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

        return none if reach_px.zero? || owner.empty?

        wide = width_px + (2 * reach_px)
        taken = taken(owner, width_px, height_px, reach_px)
        rims = rims(taken, wide, height_px, reach_px)
        pairs =
          ways(reach_px).filter_map do |down, right|
            pushed(taken, rims[[down <=> 0, right <=> 0]], (down * wide) + right)
          end
        unpadded(pairs, wide, width_px, reach_px)
      end

      # @return [Numo::UInt8] with reach more texels on all sides, flat: 0 for those on the sheet that are free
      def self.taken(owner, width_px, height_px, reach_px)
        taken = Numo::UInt8.ones(height_px + (2 * reach_px), width_px + (2 * reach_px))
        middle = [reach_px...(reach_px + height_px), reach_px...(reach_px + width_px)]
        taken[*middle] = Numo::UInt8.cast(owner.gt(0)).reshape(height_px, width_px)
        taken.flatten
      end

      # Ways from a target to its source: the nearest first; of those the uppermost, of those the leftmost.
      #
      # @return [Array<Array(Integer, Integer)>] down and right
      def self.ways(reach_px)
        steps = (-reach_px..reach_px).to_a
        steps
          .product(steps)
          .map { |down, right| [(down * down) + (right * right), last?(down, right) ? 1 : 0, down, right] }
          .select { |squared, *| squared.between?(1, reach_px * reach_px) }
          .sort
          .map { |way| way.last(2) }
      end

      def self.last?(down, right) = down.zero? && right.abs > STEP && right.abs % STEP == 1

      # @return [Hash{Array(Integer, Integer) => Numo::Int32}] by the signs of a way down and right: covered texels,
      #   each once, that have the texels free that lie against that
      def self.rims(taken, wide, height_px, reach_px)
        beside =
          { [0, 1] => 1, [1, 0] => wide }.flat_map do |(down, right), step|
              before, behind = sides(taken, step)
              [[[down, right], behind], [[-down, -right], before]]
            end
            .to_h
        beside.transform_values! { |texels| on_sheet(texels, wide, height_px, reach_px) }
        [-1, 1].product([-1, 1])
          .each { |down, right| beside[[down, right]] = free(taken, beside[[0, right]], down * wide) }
        beside
      end

      # @return [Array(Numo::Int32, Numo::Int32)] covered texels that are followed by a free one so many further, and
      #   those that follow one
      def self.sides(taken, step)
        edge = edge(taken, step)
        return edge, edge if edge.empty?

        covered = Geometry::Take.call(taken, edge).eq(1)
        before, behind = [covered, ~covered].map { |own| Geometry::Take.call(edge, own.where) }
        [before, behind + step]
      end

      # @return [Numo::Int32] texels that differ from the one so many further; looked for in words of texels, as few do
      def self.edge(taken, step)
        differ = Numo::UInt8.zeros((taken.size.fdiv(WORD).ceil * WORD))
        differ[0...-(step + differ.size - taken.size)] = taken[0...-step] ^ taken[step..]
        words = Numo::UInt64.from_binary(differ.to_binary).ne(0).where
        return Numo::Int32.zeros(0) if words.empty?

        texels = (Numo::Int32.cast(words).expand_dims(1) * WORD) + Numo::Int32.new(1, WORD).seq
        texels = texels.flatten
        Geometry::Take.call(texels, Geometry::Take.call(differ, texels).ne(0).where)
      end

      def self.on_sheet(texels, wide, height_px, reach_px)
        return texels if texels.empty?

        row = texels / wide
        column = texels - (row * wide)
        inside = row.ge(reach_px) & row.lt(reach_px + height_px) & column.ge(reach_px) & column.lt(wide - reach_px)
        Geometry::Take.call(texels, inside.where)
      end

      # @return [Array(Numo::Int32, Numo::Int32), nil] those that were free, which are taken now, and their sources
      def self.pushed(taken, rim, by)
        sources = free(taken, rim, by)
        return if sources.empty?

        targets = sources - by
        taken[targets] = 1
        [targets, sources]
      end

      # @return [Numo::Int32] those of the texels that have the one free that lies against a way
      def self.free(taken, texels, by)
        return texels if texels.empty?

        Geometry::Take.call(texels, Geometry::Take.call(taken, texels - by).eq(0).where)
      end

      def self.unpadded(pairs, wide, width_px, reach_px)
        return none if pairs.empty?

        targets, sources =
          pairs.transpose.map do |arrays|
            texels = Geometry::Grouped.joined(arrays)
            rows = texels / wide
            texels - (rows * wide) - reach_px + ((rows - reach_px) * width_px)
          end
        order = targets.sort_index
        [targets, sources].map { |texels| Geometry::Take.call(texels, order) }
      end

      def self.none = [Numo::Int32.zeros(0), Numo::Int32.zeros(0)]
      private_class_method :taken, :ways, :last?, :rims, :sides, :edge, :on_sheet, :pushed, :free, :unpadded, :none
    end
  end
end
