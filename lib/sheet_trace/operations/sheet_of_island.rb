# frozen_string_literal: true

module SheetTrace
  module Operations
    # Makes the sheet as large as one island in true size at so many dots to an inch, and has the island fill it,
    # upright: the sheet of a label. Other islands keep their px.
    class SheetOfIsland < Operation
      island
      number :dpi, 36.0..4800.0, default: 300.0

      def call(job)
        size = job.flat_map(island).size_mm.map { |mm| Layout::DocumentSize.px(mm, dpi) }
        sheet = Layout::Sheet.new(width_px: size[0], height_px: size[1])
        layout = job.layout.resize(sheet, keep: "px", anchor: [0.0, 0.0])
        stack = Layout::Stacks.of(job.layout, [island]).first
        upright = layout.place(stack, Geometry::Affine.turn(-job.measures[island].up_angle_rad))
        filled = upright.place(stack, filling(upright.boxes_px[island, true].to_a, size))
        change(
          job.with(layout: filled),
          "Sheet: #{job.sheet} -> #{sheet}, as large as #{job.island_names[island]} at #{Phrases.short(dpi)} dpi"
        )
      end

      private

      def filling((left, top, right, bottom), (width, height))
        Geometry::Affine.scale(width / (right - left), height / (bottom - top)) * Geometry::Affine.move(-left, -top)
      end
    end
  end
end
