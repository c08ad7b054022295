# frozen_string_literal: true

module SheetTrace
  module Operations
    # Moves islands onto the sheet by the shortest way, or to a free place if others lie there; one that is larger than
    # the sheet is made smaller.
    #
    # islands [Array<Integer>]
    BringOntoSheet = Struct.new(:islands, keyword_init: true) do
      def initialize(islands:)
        super
        freeze
      end

      def validate(job) = [Checks.islands(job, islands)].compact

      def apply(job)
        size = [job.sheet.width_px, job.sheet.height_px]
        job.with(layout: Each.settle(job, islands) do |island|
          box = job.layout.boxes_px[island, true].to_a
          scale = [0, 1].map { |axis| size[axis] / [box[axis + 2] - box[axis], size[axis]].max.to_f }.min
          move = [0, 1].map { |axis| shift(box[axis], box[axis + 2], size[axis], scale) }
          Geometry::Affine.move(*move) * Geometry::Affine.scale(scale, scale)
        end)
      end

      def describe(job, _after) = "#{Words.islands(job, islands)} brought onto the sheet"

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
