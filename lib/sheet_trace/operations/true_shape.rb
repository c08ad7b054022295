# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives islands the shape of the surface: by the affine change that leaves least stretch where that does it, or else
    # laid flat anew. Direction, density, middle and mirroring stay; one that comes to lie on another goes on to a
    # free place.
    class TrueShape < Operation
      # When an affine change is not enough.
      BENT = 1.005

      islands

      # @return [Geometry::Affine] about the island's centre: what leaves least stretch, as large on the sheet as before
      def self.straight(job, island)
        map = job.layout.uv_map
        rows = map.island_triangles[island]
        jacobians =
          UvMap::Jacobians.call(
            map.triangle_positions(job.unit_mm, rows),
            map.triangle_places(job.layout.points_px, rows)
          )
        straightened = Flatten::TrueAffine.change(jacobians)
        factor = 1 / Math.sqrt(straightened.determinant)
        Geometry::Affine.scale(factor, factor) * straightened
      end

      def call(job)
        flat = islands.find { |island| !job.measures[island].density_px_per_mm.positive? }
        refuse("#{job.island_names[flat]} has no area on the sheet to start from") if flat

        straight = job.with(layout: EachIsland.place(job, islands) { |island| TrueShape.straight(job, island) })
        bent = islands.select { |island| (straight.measures[island].stretch_worst || Float::INFINITY) > BENT }
        shaped = bent.empty? ? straight : laid_flat(straight, bent)
        after =
          shaped.with(layout: Layout::MoveToFreePlaces.or_beside(shaped.layout, islands, gutter_px: job.gutter_px))
        change(
          after,
          "#{Phrases.islands(job, islands)}: worst stretch " \
            "#{Phrases.from_to(stretches(job, after, islands, :stretch_worst))}"
        )
      end

      private

      # What is not better flat than it was is left as it is.
      def laid_flat(job, bent)
        map = job.layout.uv_map
        points = job.layout.points_px.copy
        bent.each { |island| points[map.island_points[island], true] = flat_px(job, island) }
        flat = Job::Remap.reshaped(job, job.sheet.px_to_uv.apply(points))
        better = bent.reject { |island| stretch(flat, island) > stretch(job, island) }
        return flat if better == bent

        better.empty? ? job : laid_flat(job, better)
      end

      def stretch(job, island) = job.measures[island].stretch_mean || Float::INFINITY

      def flat_px(job, island)
        measure = job.measures[island]
        density = measure.density_px_per_mm
        flat = job.flat_map(island)
        onto =
          Geometry::Affine.move(*job.layout.centre_px([island])) * Geometry::Affine.turn(measure.up_angle_rad) *
            Geometry::Affine.scale(measure.mirrored ? -density : density, -density)
        order = job.layout.uv_map.island_points[island]
        place = Numo::Int64.zeros(job.layout.uv_map.point_count)
        place[flat.points] = Numo::Int64.new(flat.points.size).seq
        onto.apply(flat.coordinates_mm)[place[order], true]
      end
    end
  end
end
