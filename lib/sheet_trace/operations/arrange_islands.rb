# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands out so that the sheet can be read.
    class ArrangeIslands < Operation
      one_of :rule,
             %w[reading figure],
             "reading: in rows, those with art first, those of more weight before others, then as first says; " \
               "figure: upright, each left of, right of, above and below all others as on the model seen from the front, " \
               "what looks back beside it",
             default: "reading"
      one_of :first,
             Layout::ReadingOrder::RULES.keys,
             "for reading: side: front before back, left before right, top before bottom, the larger first; size: the " \
               "larger first; height: from the top of the model down; name: by their names",
             default: "side"
      islands :order, "for reading: these first, one after the other as they are given", optional: true
      # Rounds in which scale and gutter agree.
      SETTLING = 12
      # How far the figure seen from behind lies beside the other, as a share of the model's width.
      BESIDE = 1.3
      private_constant :SETTLING, :BESIDE

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
        stacks =
          Layout::ReadingOrder
            .call(job.layout, job.tags, names: job.island_names, plan: job.plan, rule: first)
            .sort_by
            .with_index { |stack, at| [order&.index { |island| stack.include?(island) } || Float::INFINITY, at] }
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

      # Two figures beside each other: what looks to the front and the sides, and what looks back, seen from behind. All
      # at one density, upright, as large as they go.
      def figure(job)
        stacks = Layout::Stacks.call(job.layout)
        leaders = stacks.map(&:first)
        middles = seen(job).values_at(*leaders)
        sizes = leaders.map { |island| job.measures[island].size_mm }
        border = [margin(job), gutter(job)].max
        scale, places = largest(job, middles, sizes, border)
        stacks
          .zip(places)
          .reduce(job.layout) do |layout, (stack, place)|
            upright(job, layout, stack, scale, place.map { |mm| mm * scale })
          end
      end

      # @param place [Array(Float, Float)] px of the middle
      def upright(job, layout, stack, scale, place)
        measure = job.measures[stack.first]
        return layout unless measure.density_px_per_mm.positive?

        factor = scale / measure.density_px_per_mm
        change = Geometry::Affine.scale(factor, factor) * Geometry::Affine.turn(-measure.up_angle_rad)
        turned = layout.place(stack, change.about(*layout.centre_px([stack.first])))
        turned.place(stack, Geometry::Affine.move(*place.zip(turned.centre_px([stack.first])).map { |to, at| to - at }))
      end

      # The gutter is in px, so that the scale has to be known for the places, and these for the scale.
      #
      # @return [Array(Float, Array<Array(Float, Float)>)] px per mm; middles from the sheet's corner, mm
      def largest(job, middles, sizes, border)
        room = [job.sheet.width_px, job.sheet.height_px].map { |px| px - (2 * border) }
        scale = 1.0
        low = places = nil
        SETTLING.times do
          places = Layout::AsFigure.call(middles, sizes, gap: gutter(job) / scale)
          low, high = corners(places, sizes)
          scale = [0, 1].map { |axis| room[axis] / [high[axis] - low[axis], 1e-9].max }.min
        end
        refuse("the gutter leaves no room to lay islands out") unless scale.positive?

        shift = [0, 1].map { |axis| (border / scale) - low[axis] }
        [scale, places.map { |place| place.zip(shift).map(&:sum) }]
      end

      def corners(places, sizes)
        %i[- +]
          .zip(%i[min max])
          .map do |way, end_of|
            [0, 1].map do |axis|
              places.zip(sizes).map { |place, size| place[axis].public_send(way, size[axis] / 2) }.public_send(end_of)
            end
          end
      end

      # Right and down as seen from the front; what looks back as seen from behind, in a figure of its own.
      def seen(job)
        back = Mesh::Facing.names(job.layout.uv_map.mean_normals).map { |facing| facing == "Back" }
        width = job.mesh.bounds.transpose[0].reduce { |least, most| most - least }
        back.none? || back.all? and return middles(job).map { |x, y| [x, -y] }

        middles(job).each_with_index.map { |(x, y), island| [back[island] ? (BESIDE * width) - x : x, -y] }
      end

      # Across and up the model.
      def middles(job) = job.layout.uv_map.island_middles[true, 0..1].to_a
    end
  end
end
