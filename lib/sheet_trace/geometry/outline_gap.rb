# frozen_string_literal: true

module SheetTrace
  module Geometry
    # How far two shapes are apart that are given by the segments of their outlines.
    module OutlineGap
      MOST_PAIRS = 400_000 # at a time
      private_constant :MOST_PAIRS

      # @param first [Numo::DFloat] n x 4: x, y of one end and of the other
      # @param second [Numo::DFloat] m x 4
      # @return [Float] 0 where the outlines cross or one shape lies inside the other. O(nm)
      def self.call(first, second)
        return 0.0 if inside?(first[0, 0..1].to_a, second) || inside?(second[0, 0..1].to_a, first)

        step = [MOST_PAIRS / second.shape[0], 1].max
        (0...first.shape[0])
          .step(step)
          .map { |from| least(first[from...[from + step, first.shape[0]].min, true], second) }
          .min
      end

      # @param first, second [Numo::DFloat] n x 4 segments, each of which is compared to that of the same row
      # @return [Numo::DFloat] n: how far they are apart, 0 where they cross. O(n)
      def self.of_pairs(first, second)
        one = columns(first)
        other = columns(second)
        gaps = Numo::NMath.sqrt(squares(one, other).reduce { |least, some| Numo::DFloat.minimum(least, some) })
        crossing = crossing(one, other)
        gaps[crossing] = 0 if crossing.any?
        gaps
      end

      # Even and odd crossings of a ray to the right.
      # Source: Shimrat, "Algorithm 112: Position of point relative to polygon", CACM 5, 1962.
      #
      # @param place [Array(Float, Float)]; outline [Numo::DFloat] m x 4
      def self.inside?(place, outline)
        x, y = place
        ax, ay, bx, by = columns(outline)
        spans = (ay.gt(y) ^ by.gt(y)).where
        return false if spans.empty?

        at = ax[spans] + ((y - ay[spans]) * (bx[spans] - ax[spans]) / (by[spans] - ay[spans]))
        at.gt(x).count.odd?
      end

      def self.columns(segments) = Array.new(4) { |k| segments[true, k].copy }

      def self.least(first, second)
        rows = columns(first).map { |column| column.expand_dims(1) }
        across = columns(second).map { |column| column.expand_dims(0) }
        crossing(rows, across).any? ? 0.0 : Math.sqrt(squares(rows, across).map(&:min).min)
      end

      # From the ends of each to the other.
      def self.squares(one, other)
        [[one[0, 2], other], [one[2, 2], other], [other[0, 2], one], [other[2, 2], one]].map do |place, segment|
          square_to(place, segment)
        end
      end

      def self.crossing(one, other)
        a, b, c, d =
          [[one, other[0, 2]], [one, other[2, 2]], [other, one[0, 2]], [other, one[2, 2]]].map do |segment, place|
            side(segment, place)
          end
        (a * b).lt(0) & (c * d).lt(0)
      end

      # Which side of a segment a place lies on: twice the area of the triangle between them.
      def self.side((ax, ay, bx, by), (x, y)) = ((bx - ax) * (y - ay)) - ((by - ay) * (x - ax))

      def self.square_to((x, y), (ax, ay, bx, by))
        dx = bx - ax
        dy = by - ay
        share = (((x - ax) * dx) + ((y - ay) * dy)) / Numo::DFloat.maximum((dx**2) + (dy**2), 1e-300)
        share = share.clip(0.0, 1.0)
        ((x - ax - (dx * share))**2) + ((y - ay - (dy * share))**2)
      end
      private_class_method :columns, :least, :squares, :crossing, :side, :square_to
    end
  end
end
