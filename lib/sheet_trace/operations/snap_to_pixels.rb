# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings islands onto whole pixels.
    class SnapToPixels < Operation
      islands
      one_of :what,
             %w[place box points shape],
             "place: the box's left upper corner goes to the nearest, and the island with it; box: all four sides of " \
               "the box, so that it is scaled too; " \
               "points: every corner of every face by itself; shape: all corners together, right angles and equal " \
               "panels kept",
             default: "points"
      one_of :to, Layout::PixelHold::NAMES, "of pixels", default: "corners"

      def call(job)
        after = %w[place box].include?(what) ? job.with(layout: placed(job)) : reshaped(job)
        most =
          islands
            .map do |island|
              before, now =
                [job, after].map { |state| state.layout.points_px[state.layout.uv_map.island_points[island], true] }
              (before - now).abs.max
            end
            .max
        change(
          after,
          "#{Phrases.islands(job, islands)} brought to pixel #{to}: moved by #{Phrases.px(most)} at the most"
        )
      end

      private

      def placed(job)
        islands.reduce(job.layout) { |layout, island| layout.place([island], onto(layout.boxes_px[island, true].to_a)) }
      end

      def reshaped(job)
        points = job.layout.points_px.copy
        islands.each do |island|
          job.layout.uv_map.island_points[island].then { |own| points[own, true] = whole(points[own, true]) }
        end
        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(points))
      end

      def whole(px) =
        what == "shape" ? Layout::WholePixels.call(px, offset: Layout::PixelHold::OFFSETS.fetch(to)) : nearest(px)

      def nearest(px) = Layout::PixelHold.call(px, to)

      def onto(box)
        left, top, right, bottom = box
        x, y = [left, top].map { |px| nearest(px) }
        return Geometry::Affine.move(x - left, y - top) if what == "place"

        # No side falls onto the other one.
        across, down =
          [[left, right, x], [top, bottom, y]].map do |low, high, at|
            high > low ? [nearest(high) - at, 1.0].max / (high - low) : 1.0
          end
        Geometry::Affine.move(x, y) * Geometry::Affine.scale(across, down) * Geometry::Affine.move(-left, -top)
      end
    end
  end
end
