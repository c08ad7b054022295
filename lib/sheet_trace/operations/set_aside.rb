# frozen_string_literal: true

module SheetTrace
  module Operations
    # Lays islands beside the sheet, as large as they are, for a clear desk; packing and equalising leave none of them
    # out, so they are
    # brought in again one by one, or all at once.
    class SetAside < Operation
      islands

      # In columns to the right of the sheet and of what lies there already.
      def call(job)
        gutter = [job.gutter_px, 4].max
        others = (0...job.layout.uv_map.island_count).to_a - islands
        left = [job.sheet.width_px, *others.map { |island| job.layout.boxes_px[island, 2] }].max + (3 * gutter)
        top = widest = 0
        placed =
          islands
            .sort_by { |island| -job.layout.size_px(island)[1] }
            .reduce(job.layout) do |layout, island|
              width, height = layout.size_px(island)
              if top.positive? && top + height > job.sheet.height_px
                left += widest + gutter
                top = widest = 0
              end
              layout
                .put([island], left, top)
                .tap do
                  top += height + gutter
                  widest = [widest, width].max
                end
            end
        change(job.with(layout: placed), "#{Phrases.islands(job, islands)} laid beside the sheet")
      end
    end
  end
end
