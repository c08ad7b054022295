# frozen_string_literal: true

module SheetTrace
  module Operations
    # Brings all islands onto the sheet together, as large as they go: their places beside each other, directions and proportions stay.
    #
    # margin_px [Numeric, nil] as planned if nil
    FitToSheet = Struct.new(:margin_px, keyword_init: true) do
      def initialize(margin_px: nil)
        super
        freeze
      end

      def validate(job)
        most = ([job.sheet.width_px, job.sheet.height_px].min / 2.0) - 0.5
        [Checks.optional(margin_px, "margin", 0..most), job.layout.uv_map.island_count.zero? ? "there is no island on the sheet" : nil].compact
      end

      def apply(job)
        margin = margin_px || job.plan.margin_px
        boxes = job.layout.boxes_px
        low = [0, 1].map { |axis| boxes[true, axis].min }
        size = [0, 1].map { |axis| boxes[true, axis + 2].max - low[axis] }
        room = [job.sheet.width_px, job.sheet.height_px].map { |px| px - (2.0 * margin) }
        scale = size.zip(room).filter_map { |own, free| free / own if own.positive? }.min || 1.0
        offset = size.zip(room).map { |own, free| margin + ((free - (own * scale)) / 2) }
        onto = Geometry::Affine.move(*offset) * Geometry::Affine.scale(scale, scale) * Geometry::Affine.move(*low.map(&:-@))
        job.with(layout: job.layout.place((0...job.layout.uv_map.island_count).to_a, onto))
      end

      def describe(job, after) = "All islands fitted to the sheet: #{Words.short(job.density_px_per_mm)} -> #{Words.short(after.density_px_per_mm)} px/mm"
    end
  end
end
