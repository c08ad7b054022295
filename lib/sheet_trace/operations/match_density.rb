# frozen_string_literal: true

module SheetTrace
  module Operations
    # Scales islands to a density, each about its own centre; one that comes to lie on another goes on to a free place.
    class MatchDensity < Operation
      islands
      number :density_px_per_mm, 1e-6..1e6

      def call(job)
        flat = islands.find { |island| !job.measures[island].density_px_per_mm.positive? }
        refuse("#{job.island_names[flat]} has no area on the sheet to scale") if flat

        after =
          job.with(
            layout:
              EachIsland.to_free_places(job, islands) do |island|
                factor = density_px_per_mm / job.measures[island].density_px_per_mm
                Geometry::Affine.scale(factor, factor)
              end
          )
        change(after, "#{Phrases.islands(job, islands)} scaled to #{Phrases.short(density_px_per_mm)} px/mm")
      end
    end
  end
end
