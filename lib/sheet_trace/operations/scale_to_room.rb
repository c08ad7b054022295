# frozen_string_literal: true

module SheetTrace
  module Operations
    # Scales islands, each about its middle and all by the same, as large as they go without coming nearer to others
    # than the gutter, or to the sheet's border than the margin.
    class ScaleToRoom < Operation
      # Of the largest scale, as a share: finer than a texel of the largest sheet.
      CLOSE = 1e-5
      SMALLEST = 1e-3
      private_constant :CLOSE, :SMALLEST

      islands

      def call(job)
        stacks = islands.map { |island| Layout::Stacks.of(job.layout, [island]).flatten }.uniq(&:sort)
        scale = largest(job, stacks)
        unless scale
          refuse("there is no room where #{Phrases.islands(job, islands)} lies; move it to a free place first")
        end

        after = job.with(layout: scaled(job, stacks, scale))
        change(
          after,
          "#{Phrases.islands(job, islands)} scaled to #{Phrases.short(scale * 100)} %, to the room there is: " \
            "#{[job, after].map { |state| densest(state) }.join(" -> ")} px/mm"
        )
      end

      private

      def densest(job) = Phrases.short(job.measures.values_at(*islands).map(&:density_px_per_mm).max)

      # @return [Float, nil] nil where not even a speck of them would be free
      def largest(job, stacks)
        return unless free?(job, stacks, SMALLEST)

        low = SMALLEST
        high = stacks.map { |stack| widest(job, stack) }.min
        return high if free?(job, stacks, high)

        while high / low > 1 + CLOSE
          middle = Math.sqrt(low * high)
          free?(job, stacks, middle) ? low = middle : high = middle
        end
        low
      end

      # The scale at which a box reaches the margin.
      def widest(job, stack)
        left, top, right, bottom = job.layout.boxes_px[stack.first, true].to_a
        room =
          [[left, right, job.sheet.width_px], [top, bottom, job.sheet.height_px]].filter_map do |from, to, px|
            ([from + to, (2 * px) - from - to].min - (2 * job.plan.margin_px)) / (to - from) if to > from
          end
        [room.min || 1.0, SMALLEST].max
      end

      def free?(job, stacks, scale)
        layout = scaled(job, stacks, scale)
        stacks.all? do |stack|
          gap = Layout::Clearance.call(layout, stack).gap_px
          gap.nil? || gap >= [job.gutter_px, CLOSE].max
        end
      end

      def scaled(job, stacks, scale)
        stacks.reduce(job.layout) do |layout, stack|
          left, top, right, bottom = job.layout.boxes_px[stack.first, true].to_a
          x, y = [(left + right) / 2, (top + bottom) / 2]
          about = Geometry::Affine.move(x, y) * Geometry::Affine.scale(scale, scale) * Geometry::Affine.move(-x, -y)
          layout.place(stack, about)
        end
      end
    end
  end
end
