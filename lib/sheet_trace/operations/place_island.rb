# frozen_string_literal: true

module SheetTrace
  module Operations
    # Puts one island where typed numbers say, about its centre; twins that lie on it go along. What is nil stays as
    # it is.
    class PlaceIsland < Operation
      island
      number :x_px, -100_000..100_000, "centre of its box", optional: true
      number :y_px, -100_000..100_000, "centre of its box", optional: true
      number :width_px, 0.01..100_000, "of its box; one side alone keeps the proportions", optional: true
      number :height_px, 0.01..100_000, "of its box", optional: true
      angle :up_angle_rad, -1000..1000, "where model-up shall point", label: "turn", optional: true
      flag :free_proportions, default: false

      def call(job)
        x, y = job.layout.centre_px([island])
        about = (Geometry::Affine.scale(*factors(job)) * turn(job)).about(x, y)
        whole = Geometry::Affine.move((x_px || x) - x, (y_px || y) - y) * about
        after = job.with(layout: job.layout.place(Layout::Stacks.of(job.layout, [island]).first, whole))
        change(after, sentence(after))
      end

      private

      def sentence(after)
        x, y = after.layout.centre_px([island])
        measure = after.measures[island]
        "#{after.island_names[island]}: centre #{Phrases.short(x)}, #{Phrases.short(y)} px, " \
          "#{Phrases.size_px(measure.size_px)}, " \
          "turned #{Phrases.degrees(measure.up_angle_rad)}"
      end

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
