# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings all islands onto the sheet together, as large as they go: their places beside each other, directions and
    # proportions stay.
    class FitToSheet < Operation
      number :margin_px, 0..(Layout::Sheet::SIDE_PX.end / 2), "as planned if nil", optional: true

      def call(job)
        refuse("there is no island on the sheet") if job.layout.uv_map.island_count.zero?

        margin = margin_px || job.plan.margin_px
        most = ([job.sheet.width_px, job.sheet.height_px].min / 2.0) - 0.5
        refuse("margin is #{margin}; give a number from 0 to #{Phrases.short(most)}") if margin > most

        after = job.with(layout: job.layout.place((0...job.layout.uv_map.island_count).to_a, onto_sheet(job, margin)))
        change(after, "All islands fitted to the sheet: #{Phrases.densities(job, after)}")
      end

      private

      def onto_sheet(job, margin)
        boxes = job.layout.boxes_px
        low = [0, 1].map { |axis| boxes[true, axis].min }
        size = [0, 1].map { |axis| boxes[true, axis + 2].max - low[axis] }
        room = [job.sheet.width_px, job.sheet.height_px].map { |px| px - (2.0 * margin) }
        scale = size.zip(room).filter_map { |own, free| free / own if own.positive? }.min || 1.0
        offset = size.zip(room).map { |own, free| margin + ((free - (own * scale)) / 2) }
        Geometry::Affine.move(*offset) * Geometry::Affine.scale(scale, scale) * Geometry::Affine.move(*low.map(&:-@))
      end
    end
  end
end
