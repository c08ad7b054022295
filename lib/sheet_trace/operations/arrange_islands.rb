# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands out so that the sheet can be read.
    class ArrangeIslands < Operation
      one_of :rule,
             %w[reading figure],
             "reading: in rows, those with art first, then front before back, left before right, top before bottom, " \
               "the larger first; " \
               "figure: each where it is on the model seen from the front, what looks back beside it",
             default: "reading"
      number :gutter_px, Job::GUTTER_PX, "as the job has it if nil", optional: true
      number :margin_px, 0..1024, "as planned if nil", optional: true

      def call(job)
        refuse("there is no island on the sheet") if job.layout.uv_map.island_count.zero?

        after = job.with(layout: rule == "reading" ? rows(job) : figure(job))
        words = { "reading" => "in reading order", "figure" => "as the model is seen from the front" }.fetch(rule)
        change(after, "Islands laid out #{words}: #{Phrases.densities(job, after)}")
      end

      private

      def gutter(job) = gutter_px || job.gutter_px
      def margin(job) = margin_px || job.plan.margin_px

      # As large as the rows go; stacks stay stacks.
      def rows(job)
        stacks = Layout::ReadingOrder.call(job.layout, job.tags)
        room =
          Layout::Sheet.new(
            width_px: job.sheet.width_px - (2 * margin(job)).ceil,
            height_px: job.sheet.height_px - (2 * margin(job)).ceil
          )
        sizes = stacks.map { |stack| job.layout.size_px(stack.first) }
        places, scale = Layout::PackRows.call(sizes, sheet: room, gutter_px: gutter(job), order: sizes.each_index.to_a)
        stacks
          .zip(places)
          .reduce(job.layout) do |layout, (stack, (x, y))|
            layout.put(stack, x + margin(job), y + margin(job), scale: scale)
          end
      end

      # Two figures beside each other: what looks to the front and the sides, and what looks back. Then what lies on
      # others makes way.
      def figure(job)
        density = job.density_px_per_mm * job.unit_mm
        middles = middles(job)
        back = Mesh::Facing.names(job.layout.uv_map.mean_normals).map { |facing| facing == "Back" }
        width = job.mesh.bounds.transpose[0].reduce { |least, most| most - least }
        placed =
          middles
            .each_with_index
            .reduce(job.layout) do |layout, ((x, y), island)|
              across = back[island] ? (1.3 * width) - x : x # seen from behind
              at = layout.centre_px([island])
              layout.place([island], Geometry::Affine.move((across * density) - at[0], (-y * density) - at[1]))
            end
        fitted = done(FitToSheet.new(margin_px: [margin(job), gutter(job)].max), job.with(layout: placed))
        islands = Layout::ReadingOrder.call(job.layout, job.tags).flatten
        Layout::MoveToFreePlaces.call(fitted.layout, islands, gutter_px: gutter(job))
      end

      # Across and up the model.
      def middles(job)
        map = job.layout.uv_map
        positions = map.mesh.positions[map.point_vertices, true]
        [0, 1].map do |axis|
            Geometry::Grouped
              .extremes(map.point_islands, positions[true, axis].copy, map.island_count)
              .then { |low, high| ((low + high) / 2).to_a }
          end
          .transpose
      end
    end
  end
end
