# frozen_string_literal: true

module SheetTrace
  module Fit
    module FindCells
      # Parts a picture into regions. In a clean one they are px of one colour, and smoothed edges go to the side that
      # they are more like (Blend). In a
      # noisy one, as after JPEG, they are first the px that differ little from all four neighbours, connected ones
      # together; then regions grow over
      # what is left of the edges, px by px, as long as a px hardly differs from the region, or is more like it than
      # like the other side of the edge; at last regions become one
      # that differ as little where they meet as their px do among themselves.
      class Regions
        QUIET = (6..24) # how far neighbours may differ, 0 to 255, after the picture's own noise
        NOISE = 3
        NOISY = 0.005 # share of px
        ROUNDS = 8 # JPEG spreads an edge over a block of 8 px
        COVERED = 128 # opacity from which a px counts
        # of what is quiet: how far the two sides of a border may differ on the whole and be one region,
        # in a noisy picture
        ALIKE = 2
        MOST = 20_000 # regions; a picture with more is a photo
        BLOCK_PX = 64 # of a noisy picture: smaller regions are its noise
        WINDOW = [-2, -1, 0, 1, 2].repeated_permutation(2).to_a.freeze
        WAYS = [[0, 1], [0, -1], [1, 0], [-1, 0]].freeze
        private_constant :QUIET, :NOISE, :NOISY, :ROUNDS, :COVERED, :ALIKE, :MOST, :BLOCK_PX, :WINDOW, :WAYS

        # @param pixels [Numo::UInt8] h x w x 4
        # @return [Array<Region>]
        def self.call(pixels) = new(pixels).send(:regions)

        def initialize(pixels)
          @height, @width, = pixels.shape
          @pixels = Numo::Int32.cast(pixels).reshape(@height * @width, 4)
          @clear = @pixels[true, 3] < COVERED
          @pixels[true, 3] = 255
          @pixels[@clear.where, true] = 0 if @clear.any?
        end
        private_class_method :new

        private

        def regions
          across = differences(1, @width - 1, @height)
          down = differences(@width, @width, @height - 1)
          @quiet = quiet(across, down)
          noisy? ? grown(across, down) : even
          boxes.reject { |region| noisy? && region.area <= BLOCK_PX }
        end

        def grown(across, down)
          @labels = interior(across, down)
          ROUNDS.times { break unless grow }
          join
        end

        def even
          values = @pixels[true, 0] | (@pixels[true, 1] << 8) | (@pixels[true, 2] << 16)
          values[@clear.where] = 1 << 24 if @clear.any?
          @labels = Label.call(values.reshape(@height, @width)).flatten + 1
          @labels[@clear.where] = 0 if @clear.any?
          return if @labels.max > MOST

          join
          @labels = Blend.call(@labels.reshape(@height, @width), @pixels).flatten
        end

        def noisy? = @quiet > QUIET.begin

        # @return [Numo::Int32] n: numbers from 1, 0 where no region is yet
        def interior(across, down)
          limit = @quiet
          busy = Numo::UInt8.zeros(@height, @width)
          loud = across > limit
          busy[true, 0...-1] |= Numo::UInt8.cast(loud) if @width > 1
          busy[true, 1..-1] |= Numo::UInt8.cast(loud) if @width > 1
          loud = down > limit
          busy[0...-1, true] |= Numo::UInt8.cast(loud) if @height > 1
          busy[1..-1, true] |= Numo::UInt8.cast(loud) if @height > 1
          # Clear and opaque px are never one.
          labels = Label.call((busy + (Numo::UInt8.cast(@clear.reshape(@height, @width)) * 2))).flatten
          labels + 1 - ((labels + 1) * Numo::Int32.cast(busy.flatten))
        end

        # The most that a channel differs from the px so many on.
        def differences(step, width, height)
          return Numo::Int32.zeros(height, width) if width.zero? || height.zero?

          grid = @pixels.reshape(@height, @width, 4)
          other = step == 1 ? grid[true, 1..-1, true] : grid[1..-1, true, true]
          apart = (other - grid[0...height, 0...width, true]).abs
          [1, 2, 3].reduce(apart[true, true, 0]) do |most, channel|
            Numo::Int32.maximum(most, apart[true, true, channel])
          end
        end

        # What noise does not exceed: of the small differences, the greatest but for a tenth of them. Noise has very
        # small ones too: without them,
        # small differences are borders between colours that are much alike.
        def quiet(*differences)
          small =
            differences.flat_map do |all|
              all.flatten.then { |flat| flat[(flat.gt(0) & flat.lt(QUIET.end)).where] }.to_a
            end
          return QUIET.begin if small.count { |value| value < QUIET.begin } < NOISY * @height * @width

          (NOISE * small.sort[(small.size * 0.9).floor]).clamp(QUIET.begin, QUIET.end)
        end

        # @return [Boolean] whether some px was taken
        def grow
          open = @labels.eq(0).where
          return false if open.empty?

          taken = Numo::Int32.zeros(open.size)
          nearest = Numo::Int32.zeros(open.size) + (1 << 30)
          WAYS.each { |dy, dx| ask(open, dy, dx, taken, nearest) }
          found = taken.gt(0).where
          return false if found.empty?

          @labels[open[found]] = taken[found]
          true
        end

        # Whether px are more like the neighbour on one side than like what is most unlike that neighbour near by.
        def ask(open, dy, dx, taken, nearest)
          here, there = inside(open, dy, dx)
          labelled = @labels[there].gt(0).where
          return if labelled.empty?

          here = here[labelled]
          there = there[labelled]
          own = open[here]
          distance = apart(own, there)
          good = ((distance * 2 < farthest(own, there)) | (distance <= @quiet)).where
          good = good[(distance[good] < nearest[here[good]]).where] unless good.empty?
          return if good.empty?

          nearest[here[good]] = distance[good]
          taken[here[good]] = @labels[there[good]]
        end

        # @return [Array(Numo::Int64, Numo::Int64)] rows of px, and the px so far away, where that is in the picture
        def inside(px, dy, dx)
          y = (px / @width) + dy
          x = (px % @width) + dx
          rows = ((y >= 0) & (y < @height) & (x >= 0) & (x < @width)).where
          [rows, rows.empty? ? rows : (y[rows] * @width) + x[rows]]
        end

        def apart(first, second) = (@pixels[first, true] - @pixels[second, true]).abs.max(axis: 1)

        def farthest(own, there)
          WINDOW.each_with_object(Numo::Int32.zeros(own.size)) do |(dy, dx), most|
            rows, others = inside(own, dy, dx)
            next if rows.empty?

            most[rows] = Numo::Int32.maximum(most[rows], apart(others, there[rows]))
          end
        end

        # Regions whose sides hardly differ where they meet become one.
        def join
          px, beside = borders
          return if px.empty?

          low, high =
            [@labels[px], @labels[beside]].then do |a, b|
              [Numo::Int64.cast(Numo::Int32.minimum(a, b)), Numo::Int64.cast(Numo::Int32.maximum(a, b))]
            end
          ranks, count = Geometry::Grouped.pair_ranks(low, high, @labels.max + 1)
          mean = Geometry::Grouped.sum(ranks, Numo::DFloat.cast(apart(px, beside)), count) / ranks.bincount
          rows = Geometry::Grouped.representatives(ranks, count)[(mean <= (noisy? ? ALIKE * @quiet : @quiet)).where]
          unite(low[rows].to_a.zip(high[rows].to_a)) unless rows.empty?
        end

        # @return [Array(Numo::Int64, Numo::Int64)] px and the one beside each, right or below, that are of
        #   different regions
        def borders
          grid = @labels.reshape(@height, @width)
          across = met(grid[true, 0...-1], grid[true, 1..-1])
          across += across / [@width - 1, 1].max # from a row that is a px shorter
          down = met(grid[0...-1, true], grid[1..-1, true])
          [Geometry::Grouped.joined([across, down]), Geometry::Grouped.joined([across + 1, down + @width])]
        end

        def met(first, second)
          first.empty? ? Numo::Int64.zeros(0) : Numo::Int64.cast((first.ne(second) & first.gt(0) & second.gt(0)).where)
        end

        def unite(pairs)
          roots = Hash.new { |_all, number| number }
          root =
            lambda do |number|
              number = roots[number] while roots[number] != number
              number
            end
          pairs.each do |a, b|
            [root.call(a), root.call(b)].minmax.then { |low, high| roots[high] = low if low != high }
          end
          table = Numo::Int32.new(@labels.max + 1).seq
          roots.each_key { |number| table[number] = root.call(number) }
          @labels = table[@labels]
        end

        # @return [Array<Region>]
        def boxes
          @labels[@clear.where] = 0 if @clear.any?
          used = @labels.bincount.gt(0)
          used[0] = 0
          count = used.count
          return [] if count.zero? || count > MOST

          numbers = (Numo::Int64.cast(used).cumsum * used)[@labels] # from 1, without gaps
          rows, columns = spans(numbers, count)
          grid = numbers.reshape(@height, @width)
          rows
            .zip(columns)
            .each_with_index
            .map do |((top, bottom), (left, right)), k|
              Region.new(x: left, y: top, mask: grid[top..bottom, left..right].eq(k + 1))
            end
        end

        # @return [Array<Array<Array(Integer, Integer)>>] first and last row of each region, and first and last column
        def spans(numbers, count)
          px = numbers.gt(0).where
          own = numbers[px] - 1
          [[px / @width, @height], [px % @width, @width]].map do |places, length|
            seen = Numo::Bit.zeros(count * length)
            seen[(own * length) + places] = 1
            seen = seen.reshape(count, length)
            (0...count).map { |k| seen[k, true].where.then { |found| [found[0], found[-1]] } }
          end
        end
      end
    end
  end
end
