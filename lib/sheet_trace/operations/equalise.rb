# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings islands to one density, by their area on the model, times the weight of each; the whole keeps its area on
    # the sheet. Each is
    # scaled about its own centre; what comes to lie on others goes on to a free place.
    class Equalise < Operation
      islands :islands, "those with art if nil", optional: true

      def call(job)
        scaled = (islands || job.art_islands).select { |island| job.measures[island].density_px_per_mm.positive? }
        refuse("no island with art has an area on the sheet to scale") if scaled.empty?

        common = common(job, scaled)
        after =
          job.with(
            layout:
              EachIsland.to_free_places(job, scaled) do |island|
                factor = common * job.plan.weight(island) / job.measures[island].density_px_per_mm
                Geometry::Affine.scale(factor, factor)
              end
          )
        change(
          after,
          "#{Phrases.count(scaled.size, "island")} brought to #{Phrases.short(least_density(after, scaled))} " \
            "px/mm#{weights(job, scaled)}"
        )
      end

      private

      def least_density(job, scaled)
        scaled.map { |island| job.measures[island].density_px_per_mm / job.plan.weight(island) }.min
      end

      def weights(job, scaled)
        heavy = scaled.map { |island| job.plan.weight(island) }.minmax
        if heavy.uniq == [1.0]
          ""
        else
          ", times weights of #{heavy.map { |weight| Phrases.short(weight) }.uniq.join(" to ")}"
        end
      end

      # px per mm of weight 1, so that the areas on the sheet add up to what they are now.
      def common(job, scaled)
        areas = job.layout.uv_map.island_areas
        now, weighted =
          scaled
            .map do |island|
              [job.measures[island].density_px_per_mm, job.plan.weight(island)].map do |density|
                areas[island] * density * density
              end
            end
            .transpose
            .map(&:sum)
        Math.sqrt(now / weighted)
      end
    end
  end
end
