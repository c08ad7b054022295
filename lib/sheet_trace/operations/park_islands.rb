# frozen_string_literal: true

module SheetTrace
  module Operations
    # Parks islands that carry no art: tagged plain, made small together and laid close to each other into a corner of
    # the sheet.
    class ParkIslands < Operation
      # Where the patch lies: 0 or 1 of the room across and down.
      CORNERS = {
        "top_left" => [0, 0],
        "top_right" => [1, 0],
        "bottom_left" => [0, 1],
        "bottom_right" => [1, 1]
      }.freeze

      islands
      one_of :corner, CORNERS.keys, default: "bottom_right"
      number :share, 0.0001..0.5, "of the sheet's area that they take at the most", default: 0.02

      def call(job)
        tagged = done(TagIslands.new(islands: islands, tag: "plain"), job)
        after = tagged.with(layout: others_moved(job, parked(job)))
        change(
          after,
          "#{Phrases.islands(job, islands)} parked at the #{corner.tr("_", " ")}: " \
            "#{Phrases.short(after.measures[islands.first].density_px_per_mm)} px/mm"
        )
      end

      private

      def others_moved(job, parked)
        others = (0...parked.uv_map.island_count).to_a - islands
        Layout::MoveToFreePlaces.call(parked, others, gutter_px: job.gutter_px, shrink: false)
      rescue LayoutError # what lay in the corner has no other place; preflight tells
        parked
      end

      # Packed in rows on a patch in the corner, no larger than they are.
      def parked(job)
        patch = patch(job)
        gutter = [job.gutter_px, [patch.width_px, patch.height_px].min / (4.0 * Math.sqrt(islands.size))].min
        places, scale =
          Layout::PackRows.call(islands.map { |island| job.layout.size_px(island) }, sheet: patch, gutter_px: gutter)
        left, top =
          CORNERS[corner]
            .zip([job.sheet.width_px - patch.width_px, job.sheet.height_px - patch.height_px])
            .map { |share, px| share * px }
        islands
          .zip(places)
          .reduce(job.layout) do |layout, (island, (x, y))|
            layout.put([island], left + x, top + y, scale: [scale, 1.0].min)
          end
      end

      def patch(job)
        Layout::Sheet.new(
          **job.sheet.to_h.transform_values { |px| [(px * Math.sqrt(share)).round, Layout::Sheet::SIDE_PX.begin].max }
        )
      end
    end
  end
end
