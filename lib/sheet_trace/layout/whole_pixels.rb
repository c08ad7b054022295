# frozen_string_literal: true

module SheetTrace
  class Layout
    # Brings all corners of an island to whole pixels at once: corners in one column or row stay in one, so that right
    # angles stay right;
    # equal distances between columns, or between rows, stay equal; of all ways to do so, with the least movement in
    # all.
    module WholePixels
      NEAR_PX = 0.26 # corners this near are in one column
      MOST_CLASSES = 8 # of distances, for which both neighbours of each are tried
      private_constant :NEAR_PX, :MOST_CLASSES

      # @param points_px [Numo::DFloat] n x 2
      # @param offset [Float] 0 for corners of pixels, 0.5 for their middles
      # @return [Numo::DFloat] n x 2
      def self.call(points_px, offset: 0.0)
        Geometry::Vectors.columns(
          [0, 1].map { |axis| Numo::DFloat.cast(axis_values(points_px[true, axis].to_a, offset)) }
        )
      end

      def self.axis_values(values, offset)
        columns = columns(values)
        places = places(columns.map { |rows| values.values_at(*rows).sum / rows.size }, columns.map(&:size), offset)
        columns
          .zip(places)
          .each_with_object(Array.new(values.size)) { |(rows, place), out| rows.each { |row| out[row] = place } }
      end

      # Rows of values that lie in one column, from the least up.
      def self.columns(values)
        values.each_index.sort_by { |row| values[row] }.slice_when { |a, b| values[b] - values[a] > NEAR_PX }.to_a
      end

      # @param middles [Array<Float>] of columns; weights [Array<Integer>] corners in each
      # @return [Array<Float>]
      def self.places(middles, weights, offset)
        gaps = middles.each_cons(2).map { |a, b| b - a }
        classes = classes(gaps)
        choices(gaps, classes)
          .map do |widths|
            steps = classes.map { |number| widths[number] }.reduce([0]) { |all, width| all << (all.last + width) }
            start = median(middles.zip(steps).map { |middle, step| middle - step - offset }, weights).round + offset
            steps.map { |step| start + step }
          end
          .min_by do |places|
            places.zip(middles, weights).sum { |place, middle, weight| (place - middle).abs * weight }
          end
      end

      # By gap, the number of its class; gaps that differ by less than what one column may are alike.
      def self.classes(gaps)
        order = gaps.each_index.sort_by { |i| gaps[i] }.slice_when { |a, b| gaps[b] - gaps[a] > NEAR_PX }
        order
          .each_with_index
          .with_object(Array.new(gaps.size)) { |(alike, number), all| alike.each { |i| all[i] = number } }
      end

      # Widths by class: the whole numbers on either side of each, at least 1; with many classes the nearest.
      def self.choices(gaps, classes)
        means = classes.zip(gaps).group_by(&:first).sort.map { |_number, pairs| pairs.sum(&:last) / pairs.size }
        around =
          means.map do |mean|
            if means.size > MOST_CLASSES
              [[mean.round, 1].max]
            else
              [mean.floor, mean.ceil].map { |width| [width, 1].max }.uniq
            end
          end
        around.empty? ? [[]] : around.first.product(*around.drop(1))
      end

      def self.median(values, weights)
        sorted = values.zip(weights).sort_by(&:first)
        half = weights.sum / 2.0
        sorted.each { |value, weight| (half -= weight) <= 0 and return value }
        sorted.last.first
      end
      private_class_method :axis_values, :columns, :places, :classes, :choices, :median
    end
  end
end
