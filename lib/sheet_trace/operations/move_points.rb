# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves corners or edges of the sheet map by themselves, so that their islands bend; twins that lie on them along.
    class MovePoints < Operation
      points :points, "of the sheet map"
      numbers :move_px, 2, -100_000..100_000, "right and down"
      one_of :to, Layout::PixelHold::NAMES, "of pixels that each is brought to afterwards", optional: true

      def call(job)
        moved = Layout::PixelHold.call(job.layout.points_px[points, true] + Numo::DFloat[move_px], to)
        uv = job.layout.points_uv.copy
        uv[points, true] = job.sheet.px_to_uv.apply(moved)
        names = Phrases.islands(job, job.layout.uv_map.point_islands[points].to_a.uniq)
        shift = move_px.map { |value| Phrases.short(value) }.join(", ")
        change(
          Job::Remap.reshaped(job, uv),
          "#{names}: #{Phrases.count(points.size, "corner")} moved by #{shift} px#{", held to pixel #{to}" if to}"
        )
      end
    end
  end
end
