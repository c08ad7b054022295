# frozen_string_literal: true

module SheetTrace
  module Operations
    # Puts one island where typed numbers say, about its centre; twins that lie on it go along. What is nil stays as it is.
    #
    # island [Integer]; x_px, y_px [Float] centre of its box; up_angle_rad [Float] where model-up shall point
    # width_px, height_px [Float] of its box; one alone keeps the proportions unless free_proportions
    PlaceIsland = Struct.new(:island, :x_px, :y_px, :width_px, :height_px, :up_angle_rad, :free_proportions, keyword_init: true) do
      def initialize(island:, x_px: nil, y_px: nil, width_px: nil, height_px: nil, up_angle_rad: nil, free_proportions: false)
        super
        freeze
      end

      def validate(job)
        [Checks.island(job, island),
         Checks.optional(x_px, "x", -100_000..100_000), Checks.optional(y_px, "y", -100_000..100_000),
         Checks.optional(width_px, "width", 0.01..100_000), Checks.optional(height_px, "height", 0.01..100_000),
         Checks.optional(up_angle_rad, "turn", -1000..1000)].compact
      end

      def apply(job)
        x, y = job.layout.centre_px([island])
        change = (Geometry::Affine.scale(*factors(job)) * turn(job)).about(x, y)
        job.with(layout: job.layout.place(Layout::Stacks.of(job.layout, [island]).first, Geometry::Affine.move((x_px || x) - x, (y_px || y) - y) * change))
      end

      def describe(job, after)
        x, y = after.layout.centre_px([island])
        measure = after.measures[island]
        "#{job.island_names[island]}: centre #{Words.short(x)}, #{Words.short(y)} px, #{Words.size_px(measure.size_px)}, " \
          "turned #{Words.degrees(measure.up_angle_rad)}"
      end

      private

      def turn(job)
        return Geometry::Affine.identity unless up_angle_rad

        Geometry::Affine.turn(up_angle_rad - job.measures[island].up_angle_rad)
      end

      # Sizes are those of the box as it stands before any turn.
      def factors(job)
        width, height = job.measures[island].size_px
        across = width_px && width.positive? ? width_px / width : nil
        down = height_px && height.positive? ? height_px / height : nil
        free_proportions ? [across || 1.0, down || 1.0] : [across || down || 1.0, down || across || 1.0]
      end
    end
  end
end
