# frozen_string_literal: true

module SheetTrace
  module Operations
    # Bends islands by a grid of handles over the box round them, twins that lie on them along.
    class BendIslands < Operation
      islands
      whole :columns, 2..8, "of handles", default: 3
      whole :rows, 2..8, "of handles", default: 3
      list :shifts,
           Parameters::Numbers.new(2, -100_000..100_000),
           "of the handles, px, row by row",
           sizes: 4..64,
           entry: "shift"

      def call(job)
        unless shifts.size == columns * rows
          refuse("#{shifts.size} shifts; a grid of #{columns} x #{rows} handles takes #{columns * rows}")
        end

        after = bent(job)
        if turned_over?(job, after)
          refuse("that far the grid would turn some of the surface over; move the handle less")
        end

        most = shifts.map { |shift| Math.hypot(*shift) }.max
        change(
          after,
          "#{Phrases.islands(job, islands)} bent by #{Phrases.px(most)} at a handle: mean stretch " \
            "#{Phrases.from_to(stretches(job, after, islands, :stretch_mean))}"
        )
      end

      private

      def bent(job)
        own = job.layout.uv_map.points_of(islands)
        boxes = job.layout.boxes_px[islands, true]
        box = [boxes[true, 0].min, boxes[true, 1].min, boxes[true, 2].max, boxes[true, 3].max]
        px = job.layout.points_px.copy
        px[own, true] = Geometry::Cage.call(px[own, true], box, columns: columns, rows: rows, shifts: shifts)
        Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(px))
      end

      def turned_over?(before, after) = islands.any? { |island| (ways(after, island) - ways(before, island)).any? }

      # @return [Array<Integer>] 1 and -1, which ways triangles of an island are turned
      def ways(job, island)
        areas = job.layout.uv_map.signed_areas(job.layout.points_px, job.layout.uv_map.island_triangles[island])
        [(1 if areas.gt(0).any?), (-1 if areas.lt(0).any?)].compact
      end
    end
  end
end
