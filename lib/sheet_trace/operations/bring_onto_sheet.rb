# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves islands onto the sheet by the shortest way, or to a free place if others lie there; one that is larger than
    # the sheet is made smaller.
    class BringOntoSheet < Operation
      islands

      def call(job)
        size = [job.sheet.width_px, job.sheet.height_px]
        layout =
          EachIsland.to_free_places(job, islands) do |island|
            box = job.layout.boxes_px[island, true].to_a
            scale = [0, 1].map { |axis| size[axis] / [box[axis + 2] - box[axis], size[axis]].max.to_f }.min
            move = [0, 1].map { |axis| shift(box[axis], box[axis + 2], size[axis], scale) }
            Geometry::Affine.move(*move) * Geometry::Affine.scale(scale, scale)
          end
        change(job.with(layout: layout), "#{Phrases.islands(job, islands)} brought onto the sheet")
      end

      private

      # How far the box, scaled about its middle, must move to lie between 0 and size.
      def shift(low, high, size, scale)
        middle = (low + high) / 2
        half = (high - low) / 2 * scale
        (half > size / 2.0 ? size / 2.0 : middle.clamp(half, size - half)) - middle
      end
    end
  end
end
