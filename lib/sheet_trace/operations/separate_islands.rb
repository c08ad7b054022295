# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves islands that lie on others, or too near them, to free places. Where there is no room, all islands are made
    # smaller together.
    class SeparateIslands < Operation
      islands

      def call(job)
        after =
          job.with(
            layout: Layout::MoveToFreePlaces.call(job.layout, islands, gutter_px: job.gutter_px, keep_free: false)
          )
        scale = after.density_px_per_mm / job.density_px_per_mm
        smaller = scale < 0.999 ? ", all islands at #{Phrases.short(scale * 100)} % to make room" : ""
        change(
          after,
          "#{Phrases.islands(job, islands)} moved to " \
            "#{islands.size == 1 ? "a place of its own" : "places of their own"}#{smaller}"
        )
      end
    end
  end
end
