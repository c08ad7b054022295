# frozen_string_literal: true

module SheetTrace
  module Operations
    # Scales and turns corners of the sheet map together, about the middle of their box; what hangs on them bends.
    class ScalePoints < Operation
      points :points, "of the sheet map"
      numbers :scale, 2, 0.001..1000, "across and down", default: [1.0, 1.0]
      angle :turn_rad, -100..100, "clockwise", label: "turn", default: 0.0

      def call(job)
        places = job.layout.points_px[points, true]
        uv = job.layout.points_uv.copy
        uv[points, true] = (job.sheet.px_to_uv * about_middle(places)).apply(places)
        names = Phrases.islands(job, job.layout.uv_map.point_islands[points].to_a.uniq)
        change(Job::Remap.reshaped(job, uv), "#{names}: #{Phrases.count(points.size, "corner")} #{words}")
      end

      private

      def about_middle(places)
        x, y = ((places.max(axis: 0) + places.min(axis: 0)) / 2).to_a
        Geometry::Affine.move(x, y) * Geometry::Affine.turn(turn_rad) * Geometry::Affine.scale(*scale) *
          Geometry::Affine.move(-x, -y)
      end

      def words
        factors = scale.map { |factor| Phrases.short(factor * 100) }.uniq.join(" x ")
        "scaled to #{factors} %#{", turned #{Phrases.degrees(turn_rad)}" unless turn_rad.zero?}"
      end
    end
  end
end
