# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings islands to one density, by their area on the model, times the weight of each; the whole keeps its area on the sheet. Each is
    # scaled about its own centre; what comes to lie on others goes on to a free place.
    #
    # islands [Array<Integer>, nil] those with art if nil
    Equalise = Struct.new(:islands, keyword_init: true) do
      def initialize(islands: nil)
        super
        freeze
      end

      def validate(job)
        problem = islands && Checks.islands(job, islands)
        return [problem] if problem

        scaled(job).empty? ? ["no island with art has an area on the sheet to scale"] : []
      end

      def apply(job)
        common = common(job)
        job.with(layout: Each.settle(job, scaled(job)) do |island|
          factor = common * job.plan.weight(island) / job.measures[island].density_px_per_mm
          Geometry::Affine.scale(factor, factor)
        end)
      end

      def describe(job, after)
        heavy = scaled(job).map { |island| job.plan.weight(island) }.minmax
        weights = heavy.uniq == [1.0] ? "" : ", times weights of #{heavy.map { |weight| Words.short(weight) }.uniq.join(" to ")}"
        density = scaled(after).map { |island| after.measures[island].density_px_per_mm / after.plan.weight(island) }
        "#{Words.count(scaled(job).size, "island")} brought to #{Words.short(density.min)} px/mm#{weights}"
      end

      private

      def scaled(job)
        wanted = islands || job.tags.each_index.select { |island| job.tags[island] == "art" }
        wanted.select { |island| job.measures[island].density_px_per_mm.positive? }
      end

      # px per mm of weight 1, so that the areas on the sheet add up to what they are now.
      def common(job)
        areas = job.layout.uv_map.island_areas
        now, weighted = scaled(job).map do |island|
          [job.measures[island].density_px_per_mm, job.plan.weight(island)].map { |density| areas[island] * density * density }
        end.transpose.map(&:sum)
        Math.sqrt(now / weighted)
      end
    end
  end
end
