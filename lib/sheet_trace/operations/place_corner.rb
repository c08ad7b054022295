# frozen_string_literal: true

module SheetTrace
  module Operations
    # Puts a corner of the sheet map exactly where it is said to go: its island moves along, with twins that lie on it, or the corner alone does and the island bends.
    # What is nil stays as it is.
    #
    # point [Integer] of the map; x_px, y_px [Numeric, nil], or else u, v [Numeric, nil]; alone [Boolean]
    PlaceCorner = Struct.new(:point, :x_px, :y_px, :u, :v, :alone, keyword_init: true) do
      def initialize(point:, x_px: nil, y_px: nil, u: nil, v: nil, alone: false)
        super
        freeze
      end

      def validate(job)
        count = job.layout.uv_map.point_count
        stranger = point.is_a?(Integer) && point.between?(0, count - 1) ? nil : "there is no corner #{point.inspect} on the sheet; it has #{count}, counted from 0"
        [stranger, Checks.optional(x_px, "x", -100_000..100_000), Checks.optional(y_px, "y", -100_000..100_000),
         Checks.optional(u, "u", -1000..1000), Checks.optional(v, "v", -1000..1000), Checks.flag(alone, "alone")].compact
      end

      def apply(job)
        target = target(job)
        return job.with(layout: moved(job, target)) unless alone

        points = job.layout.points_uv.copy
        points[point, true] = job.sheet.px_to_uv.apply(Numo::DFloat[target])[0, true]
        Job::Remap.reshaped(job, points)
      end

      def describe(job, _after)
        x, y = target(job)
        "#{job.island_names[island(job)]}: #{alone ? "one corner" : "moved so that a corner lies"} at #{Words.short(x)}, #{Words.short(y)} px"
      end

      private

      def island(job) = job.layout.uv_map.point_islands[point]

      def target(job)
        uv = [u, v].zip(job.layout.points_uv[point, true].to_a).map { |wanted, now| (wanted || now).to_f }
        [x_px, y_px].zip(job.sheet.to_px(Numo::DFloat[uv]).to_a.first).map { |wanted, now| (wanted || now).to_f }
      end

      def moved(job, target)
        from = job.layout.points_px[point, true].to_a
        job.layout.place(Layout::Stacks.of(job.layout, [island(job)]).first, Geometry::Affine.move(*target.zip(from).map { |to, now| to - now }))
      end
    end
  end
end
