# frozen_string_literal: true

module SheetTrace
  module Operations
    # Scales islands to a density, each about its own centre; one that comes to lie on another goes on to a free place.
    #
    # islands [Array<Integer>]; density_px_per_mm [Float]
    MatchDensity = Struct.new(:islands, :density_px_per_mm, keyword_init: true) do
      def initialize(islands:, density_px_per_mm:)
        super
        freeze
      end

      def validate(job)
        problems = [Checks.islands(job, islands), Checks.number(density_px_per_mm, "density", 1e-6..1e6)].compact
        return problems if problems.any?

        islands.reject { |island| job.measures[island].density_px_per_mm.positive? }.map { |island| "#{job.island_names[island]} has no area on the sheet to scale" }
      end

      def apply(job)
        job.with(layout: Each.settle(job, islands) do |island|
          factor = density_px_per_mm / job.measures[island].density_px_per_mm
          Geometry::Affine.scale(factor, factor)
        end)
      end

      def describe(job, _after) = "#{Words.islands(job, islands)} scaled to #{Words.short(density_px_per_mm)} px/mm"
    end
  end
end
