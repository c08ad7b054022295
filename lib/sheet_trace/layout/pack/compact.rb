# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # Lets shapes that were placed one by one grow together and push each other aside, until there is no more room
      # between them. The gutter is held to the outlines themselves.
      # Source: compaction as in Li, Milenkovic, "Compaction and separation algorithms for non-convex polygons and their
      #   applications", European Journal of Operational Research 84, 1995; shapes are parted as Overlap says.
      class Compact
        # Of shapes, of lines and of cells of distance fields, where it takes too long for what it gains.
        MOST_SHAPES = 600
        MOST_LINES = 8_000
        MOST_CELLS = 3_000_000
        # Cells of the distance fields along the longer side of the sheet.
        CELLS = 320
        # What shapes are kept farther apart than they must be, in cells, so that they are parted in a known number of
        # steps, as well as distance fields say it.
        SPARE = 0.02
        STEP = 0.01
        LEAST_STEP = 0.0005
        # What makes up for shapes that no longer begin on whole px.
        LEAST_GAIN = 0.004
        MOST_STEPS = 100
        LONGEST_STEP = 4 # cells
        CAUGHT = 1 # deep, cells
        # How often it is looked how shapes lie, and at so many places along outlines in all.
        MOST_LOOKS = 1000
        MOST_PLACES = 1_000_000
        # How often shapes are parted anew where distance fields said too little.
        MOST_MENDED = 6
        private_constant :MOST_SHAPES, :MOST_LINES, :MOST_CELLS, :CELLS, :SPARE, :STEP, :LEAST_STEP, :LEAST_GAIN
        private_constant :MOST_STEPS, :LONGEST_STEP, :CAUGHT, :MOST_LOOKS, :MOST_PLACES, :MOST_MENDED

        # @param shapes [Array<Array<Array>>] n lists of lines as Outlines gives them, px, the least x and y 0
        # @param at [Array<Array(Float, Float)>] left and top of each, px; they keep the gutter there
        # @param held [Array<Boolean>] whether it stays as it is
        # @param size_px [Array(Float, Float)] of what they shall lie on; gutter_px [Numeric]
        # @return [Array(Float, Array<Array(Float, Float)>)] how many times as large shapes come to be; left and top of
        #   each. 1 and as they were where nothing is gained, or it would take too long
        def self.call(shapes, at, held:, size_px:, gutter_px:)
          return 1.0, at if too_much?(shapes, size_px.max / CELLS, gutter_px)

          new(shapes, at, held, size_px, gutter_px).send(:compacted) || [1.0, at]
        end

        def self.too_much?(shapes, cell, gutter_px)
          return true if shapes.size > MOST_SHAPES || shapes.sum(&:size) > MOST_LINES

          cells =
            shapes.sum do |lines|
              [[0, 2], [1, 3]].map do |ends|
                  (lines.flat_map { |line| line.values_at(*ends) }.max + (2 * gutter_px)) / cell
                end
                .reduce(:*)
            end
          cells > MOST_CELLS
        end
        private_class_method :too_much?

        def initialize(shapes, at, held, size_px, gutter_px)
          @cell = size_px.max / CELLS
          @spare = @cell * SPARE
          @gutter = gutter_px
          @lines = shapes.map { |lines| Numo::DFloat.cast(lines)[true, 0..3] }
          @held = Numo::DFloat.cast(held.map { |own| own ? 1 : 0 })
          @overlap =
            Overlap.new(
              shapes,
              held,
              size_px: size_px.map { |px| px - (2 * @spare) },
              apart_px: gutter_px + @spare,
              cell_px: @cell
            )
          @looks = @most_looks = [MOST_PLACES / @overlap.places, MOST_LOOKS].min
          @at = Numo::DFloat.cast(at).transpose - @spare
          @grown = 1.0
        end
        private_class_method :new

        private

        # @return [Array(Float, Array<Array(Float, Float)>), nil] as .call
        def compacted
          grow
          return if @grown < 1 + LEAST_GAIN

          MOST_MENDED.times do
            near = gaps
            return @grown, (@at + @spare).transpose.to_a if near.empty?

            near.each { |pair, gap| @overlap.keep_farther(*pair, @gutter - gap + @spare) }
            @looks = 2 * MOST_STEPS
            return unless mend
          end
          nil
        end

        # Where they can't be parted, they go on from there at a smaller step, rather than from where they were: so they
        # come further. Not so where they got caught in each other.
        def grow
          step = STEP
          from = @at
          size = @grown
          while step > (@grown > 1 ? LEAST_STEP : LEAST_GAIN) && @looks.positive?
            from, deepest = parted(enlarged(from, (@grown + step) / size), size = @grown + step)
            if deepest < @spare
              @at = from
              @grown = size
            else
              step /= 2
              from, size = [@at, @grown] if deepest > CAUGHT * @cell
            end
          end
        end

        # @return [Boolean] whether all are clear again, somewhat smaller if need be
        def mend
          while @grown > 1 && @looks.positive?
            at, deepest = parted(@at, @grown)
            if deepest < @spare
              @at = at
              return true
            end

            @at = enlarged(@at, (@grown - LEAST_STEP) / @grown)
            @grown -= LEAST_STEP
          end
          false
        end

        def enlarged(at, times) = at * (((times - 1) * (1 - @held)) + 1)

        # @return [Array(Numo::DFloat, Float)] left and top of each at that growth, and how deep the deepest overlap
        #   still is, px
        def parted(at, growth)
          overlap = ->(flat) { @overlap.call(flat.reshape(*at.shape), growth) }
          place, _clear =
            Geometry::QuasiNewton.call(at.flatten, most_steps: MOST_STEPS, longest_step: LONGEST_STEP * @cell) do |now|
              @looks -= 1
              Progress.tell(1 - @looks.clamp(0, @most_looks).fdiv(@most_looks))
              sum, slope, deepest = overlap.call(now)
              [sum, slope.flatten, deepest < @spare]
            end
          [place.reshape(*at.shape), overlap.call(place).last]
        end

        # @return [Hash{Array(Integer, Integer) => Float}] of each two that come nearer than they may, how far they are
        #   apart, px
        def gaps
          grown = @held + ((1 - @held) * @grown)
          Gaps.call(
            @lines.each_with_index.map { |lines, i| (lines * grown[i]) + @at[[0, 1, 0, 1], i].expand_dims(0) },
            @gutter,
            held: @held
          )
        end
      end
    end
  end
end
