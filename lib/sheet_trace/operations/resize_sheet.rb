# frozen_string_literal: true

module SheetTrace
  module Operations
    # Gives the sheet another size.
    class ResizeSheet < Operation
      whole :width_px, Layout::Sheet::SIDE_PX
      whole :height_px, Layout::Sheet::SIDE_PX
      one_of :keep,
             %w[uv shape],
             "uv: islands stretch with the sheet; shape: they keep their shape and are scaled together",
             default: "uv"

      def call(job)
        after =
          job.with(layout: job.layout.resize(Layout::Sheet.new(width_px: width_px, height_px: height_px), keep: keep))
        change(after, "Sheet: #{job.sheet} -> #{after.sheet}, #{Phrases.densities(job, after)}")
      end
    end
  end
end
