# frozen_string_literal: true

module SheetTrace
  module Operations
    # Parks islands that carry no art: tagged plain, made small together and laid close to each other into a corner of the sheet.
    #
    # islands [Array<Integer>]; corner [String] of CORNERS; share [Float] of the sheet's area that they take at the most
    ParkIslands = Struct.new(:islands, :corner, :share, keyword_init: true) do
      def initialize(islands:, corner: "bottom_right", share: 0.02)
        super
        freeze
      end

      def validate(job)
        [Checks.islands(job, islands), Checks.one_of(corner, "corner", ParkIslands::CORNERS.keys), Checks.number(share, "share", 0.0001..0.5)].compact
      end

      def apply(job)
        tagged = TagIslands.new(islands: islands, tag: "plain").apply(job)
        parked = parked(job)
        others = (0...parked.uv_map.island_count).to_a - islands
        tagged.with(layout: Layout::Settle.call(parked, others, gutter_px: job.gutter_px, shrink: false))
      rescue LayoutError # what lay in the corner has no other place; preflight tells
        tagged.with(layout: parked)
      end

      def describe(job, after)
        "#{Words.islands(job, islands)} parked at the #{corner.tr("_", " ")}: #{Words.short(after.measures[islands.first].density_px_per_mm)} px/mm"
      end

      private

      # Packed in rows on a patch in the corner, no larger than they are.
      def parked(job)
        patch = patch(job)
        gutter = [job.gutter_px, [patch.width_px, patch.height_px].min / (4.0 * Math.sqrt(islands.size))].min
        places, scale = Layout::PackRows.call(islands.map { |island| job.layout.size_px(island) }, sheet: patch, gutter_px: gutter)
        left, top = ParkIslands::CORNERS[corner].zip([job.sheet.width_px - patch.width_px, job.sheet.height_px - patch.height_px]).map { |share, px| share * px }
        islands.zip(places).reduce(job.layout) { |layout, (island, (x, y))| layout.put([island], left + x, top + y, scale: [scale, 1.0].min) }
      end

      def patch(job)
        Layout::Sheet.new(**job.sheet.to_h.transform_values { |px| [(px * Math.sqrt(share)).round, 1].max })
      end
    end

    # Where the patch lies: 0 or 1 of the room across and down.
    class ParkIslands
      CORNERS = { "top_left" => [0, 0], "top_right" => [1, 0], "bottom_left" => [0, 1], "bottom_right" => [1, 1] }.freeze
    end
  end
end
