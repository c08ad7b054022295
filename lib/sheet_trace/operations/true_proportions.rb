# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives islands the proportions of the surface by the affine change that leaves least stretch; direction, density
    # and middle stay.
    #
    # islands [Array<Integer>]
    TrueProportions = Struct.new(:islands, keyword_init: true) do
      def initialize(islands:)
        super
        freeze
      end

      def validate(job)
        problem = Checks.islands(job, islands)
        return [problem] if problem

        islands.reject { |island| job.measures[island].density_px_per_mm.positive? }.map { |island| "#{job.island_names[island]} has no area on the sheet to change" }
      end

      def apply(job)
        map = job.layout.uv_map
        job.with(layout: Each.settle(job, islands) do |island|
          rows = map.island_triangles[island]
          jacobians = UvMap::Jacobians.call(map.triangle_positions(job.unit_mm, rows), map.triangle_places(job.layout.points_px, rows))
          change = Flatten::TrueAffine.change(jacobians)
          factor = 1 / Math.sqrt(change.determinant) # as large on the sheet as before
          Geometry::Affine.scale(factor, factor) * change
        end)
      end

      def describe(job, after)
        before, now = [job, after].map { |one| islands.map { |island| one.measures[island].stretch_worst || Float::INFINITY }.max }
        "#{Words.islands(job, islands)}: worst stretch #{format("%.3f", before)} -> #{format("%.3f", now)}"
      end
    end
  end
end
