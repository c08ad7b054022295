# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives the sheet another size.
    class ResizeSheet < Operation
      # Where the sheet as it was comes to lie on the new one.
      ANCHORS = { "start" => 0.0, "middle" => 0.5, "end" => 1.0 }.freeze

      whole :width_px, Layout::Sheet::SIDE_PX
      whole :height_px, Layout::Sheet::SIDE_PX
      one_of :keep,
             %w[uv shape px],
             "uv: islands stretch with the sheet; shape: they keep their shape and are scaled together; px: they keep " \
               "their size, with underlays, landmarks and what is reserved",
             default: "uv"
      one_of :across, ANCHORS.keys, "for px: where they come to lie from left to right", default: "start"
      one_of :down, ANCHORS.keys, "for px: where they come to lie from top to bottom", default: "start"

      def call(job)
        sheet = Layout::Sheet.new(width_px: width_px, height_px: height_px)
        after = job.with(layout: job.layout.resize(sheet, keep: keep, anchor: anchor))
        after = beside_islands(job, after) if keep == "px"
        change(after, "Sheet: #{job.sheet} -> #{after.sheet}, #{Phrases.densities(job, after)}")
      end

      private

      def anchor = ANCHORS.values_at(across, down)

      # What has its place on the sheet goes along with the islands.
      def beside_islands(job, after)
        left, top = job.sheet.added_px(after.sheet, anchor)
        move = after.sheet.px_to_uv * Geometry::Affine.move(left, top) * job.sheet.uv_to_px
        setup = job.fit_setup
        after.with(
          artwork: job.artwork.kept_px(job.sheet, after.sheet, [left, top]),
          plan: job.plan.with(reserved: job.plan.reserved.map { |x, y, *size| [x + left, y + top, *size] }),
          fit_setup:
            setup.with(
              underlays: setup.underlays.map { |underlay| underlay.with(box: moved(underlay.box, job, after)) },
              landmarks:
                setup.landmarks.map { |landmark| landmark.with(to: move.apply(Numo::DFloat[landmark.to]).to_a[0]) }
            )
        )
      end

      # @param box [Array] left, top, width and height, shares of the sheet
      def moved(box, job, after)
        shift = job.sheet.added_px(after.sheet, anchor)
        sides = [job, after].map { |state| [state.sheet.width_px, state.sheet.height_px] }
        from = [0, 1].map { |axis| ((box[axis] * sides[0][axis]) + shift[axis]) / sides[1][axis] }
        from + [0, 1].map { |axis| box[axis + 2] * sides[0][axis] / sides[1][axis] }
      end
    end
  end
end
