# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings islands onto whole pixels.
    #
    # islands [Array<Integer>]
    # what [String] "place": the box's left upper corner goes to the nearest, and the island with it; "box": all four sides of the box, so that
    #   it is scaled too; "points": every corner of every face by itself; "shape": all corners together, as Layout::WholePixels does
    # to [String] "corners" of pixels, or their "middles"
    SnapToPixels = Struct.new(:islands, :what, :to, keyword_init: true) do
      def initialize(islands:, what: "points", to: "corners")
        super
        freeze
      end

      def validate(job)
        [Checks.islands(job, islands), Checks.one_of(what, "what", %w[place box points shape]), Checks.one_of(to, "to", %w[corners middles])].compact
      end

      def apply(job)
        return job.with(layout: placed(job)) if %w[place box].include?(what)

        points = job.layout.points_px.copy
        islands.each { |island| job.layout.uv_map.island_points[island].then { |own| points[own, true] = whole(points[own, true]) } }
        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(points))
      end

      def describe(job, after)
        most = islands.map do |island|
          before, now = [job, after].map { |one| one.layout.points_px[one.layout.uv_map.island_points[island], true] }
          (before - now).abs.max
        end.max
        "#{Words.islands(job, islands)} brought to pixel #{to}: moved by #{Words.px(most)} at the most"
      end

      private

      def placed(job) = islands.reduce(job.layout) { |layout, island| layout.place([island], onto(layout.boxes_px[island, true].to_a)) }

      def whole(px) = what == "shape" ? Layout::WholePixels.call(px, offset: offset) : nearest(px)

      def offset = to == "middles" ? 0.5 : 0.0

      def nearest(px) = (px - offset).round + offset

      def onto(box)
        left, top, right, bottom = box
        x, y = [left, top].map { |px| nearest(px) }
        return Geometry::Affine.move(x - left, y - top) if what == "place"

        # No side falls onto the other one.
        across, down = [[left, right, x], [top, bottom, y]].map { |low, high, at| high > low ? [nearest(high) - at, 1.0].max / (high - low) : 1.0 }
        Geometry::Affine.move(x, y) * Geometry::Affine.scale(across, down) * Geometry::Affine.move(-left, -top)
      end
    end
  end
end
