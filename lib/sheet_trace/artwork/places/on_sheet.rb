# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Places
      # The sheet, or a box of it: the content is stretched over that, and islands move beneath.
      class OnSheet < Kept
        WHOLE = [0.0, 0.0, 1.0, 1.0].freeze
        # Nearer to whole px than this, a box lies on them.
        NEAR_PX = 1e-6
        private_constant :NEAR_PX

        numbers :box, 4, -1000.0..1000.0, "left, top, width and height as shares of the sheet", default: WHOLE

        # @param canvas [Canvas]
        # @return [Frame, nil] nil where the box lies beside the sheet
        def frame(canvas, _content)
          left, top, width, height = box_px(canvas.size)
          right = left + width
          bottom = top + height
          part = Box.new(left.floor, top.floor, right.ceil - left.floor, bottom.ceil - top.floor)
          inside = part.within(canvas.wanted)
          return if inside.empty?

          if [left, top, width, height].all?(Integer)
            Frame.new(**part.to_h, shown: inside)
          else
            between_px(inside, left, top, width, height)
          end
        end

        # @param from [Layout::Sheet]; to [Layout::Sheet]
        # @param added_px [Array(Numeric, Numeric)] to the left and above
        # @return [OnSheet] as large in px, and where islands that keep their px are
        def kept_px(from, to, added_px)
          left, top, width, height = box
          with(
            box: [
              ((left * from.width_px) + added_px[0]) / to.width_px,
              ((top * from.height_px) + added_px[1]) / to.height_px,
              width * from.width_px / to.width_px,
              height * from.height_px / to.height_px
            ]
          )
        end

        # @return [Array] what of a layout a bake depends on, beside the place itself
        def dependencies(_canvas, _content) = []

        # @return [Integer, nil] the one island it lies on
        def island = nil

        # @return [OnSheet] the same on another map
        def handed_on(_carry) = self

        # @return [String] in words
        def to_words(_job, _content) = box == WHOLE ? "over the sheet" : "over a box of the sheet"

        private

        # @return [Array(Float, Float, Float, Float)] left, top, width and height
        def box_px(size)
          sides = [size.width_px, size.height_px] * 2
          box
            .zip(sides)
            .map { |share, px| (share * px).then { |own| (own - own.round).abs < NEAR_PX ? own.round : own } }
        end

        def between_px(box, left, top, width, height)
          x = Numo::DFloat.new(box.width_px).seq + box.left_px + 0.5
          y = Numo::DFloat.new(box.height_px).seq + box.top_px + 0.5
          shape = [box.height_px, box.width_px]
          Frame.listed(
            **box.to_h,
            texels: Numo::Int64.new(shape.reduce(:*)).seq,
            across: spread((x - left) / width, 0, shape),
            down: spread((y - top) / height, 1, shape),
            coverage:
              spread(covered(x, left, left + width), 0, shape) * spread(covered(y, top, top + height), 1, shape),
            covered_px: [width, height]
          )
        end

        def spread(values, axis, shape)
          (values.expand_dims(axis) + Numo::DFloat.zeros(*shape)).flatten
        end

        # The share of each texel that lies between two lines, from the texels' middles.
        def covered(middles, from, to)
          (Numo::DFloat.minimum(middles + 0.5, to) - Numo::DFloat.maximum(middles - 0.5, from)).clip(0, 1)
        end
      end
    end
  end
end
