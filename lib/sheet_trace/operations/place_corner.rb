# frozen_string_literal: true

module SheetTrace
  module Operations
    # Puts a corner of the sheet map exactly where it is said to go: its island moves along, with twins that lie on
    # it, or the corner alone does and
    # the island bends. What is nil stays as it is.
    class PlaceCorner < Operation
      parameter :point, References::Element.new("points"), "of the sheet map"
      number :x_px, -100_000..100_000, optional: true
      number :y_px, -100_000..100_000, optional: true
      number :u, -1000..1000, "instead of x", optional: true
      number :v, -1000..1000, "instead of y", optional: true
      flag :alone, default: false

      def call(job)
        island = job.layout.uv_map.point_islands[point]
        x, y = target = target(job)
        change(
          alone ? bent(job, target) : moved(job, island, target),
          "#{job.island_names[island]}: #{alone ? "one corner" : "moved so that a corner lies"} at " \
            "#{Phrases.short(x)}, #{Phrases.short(y)} px"
        )
      end

      private

      def target(job)
        uv = [u, v].zip(job.layout.points_uv[point, true].to_a).map { |wanted, now| (wanted || now).to_f }
        [x_px, y_px].zip(job.sheet.to_px(Numo::DFloat[uv]).to_a.first).map { |wanted, now| (wanted || now).to_f }
      end

      def bent(job, target)
        points = job.layout.points_uv.copy
        points[point, true] = job.sheet.px_to_uv.apply(Numo::DFloat[target])[0, true]
        Job::Remap.reshaped(job, points)
      end

      def moved(job, island, target)
        from = job.layout.points_px[point, true].to_a
        job.with(
          layout:
            job.layout.place(
              Layout::Stacks.of(job.layout, [island]).first,
              Geometry::Affine.move(*target.zip(from).map { |to, now| to - now })
            )
        )
      end
    end
  end
end
