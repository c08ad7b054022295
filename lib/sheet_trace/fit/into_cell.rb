# frozen_string_literal: true

module SheetTrace
  module Fit
    # The change that sets islands into a cell.
    module IntoCell
      # "inside": as large as they go, proportions kept; "fill": shear taken out first, then stretched to the cell;
      # "cover": proportions kept, so large
      # that they cover it; "true_shape": stretch taken out first, then inside
      WAYS = %w[inside fill cover true_shape].freeze
      NEAR_PX = 0.5
      LEAST = 0.02
      HALVINGS = 16
      private_constant :NEAR_PX, :LEAST, :HALVINGS

      # @param points [Numo::DFloat] n x 2 px of all that is set in as one
      # @param box [Array(Float, Float, Float, Float)] left, top, right, bottom of the cell, px of the sheet
      # @param way [String] of WAYS but "true_shape", which comes down to "inside" after the stretch is gone
      # @param turn_rad [Float] by which they are turned first, clockwise; mirror [Boolean] whether they are turned
      #   over before
      # @param inset_px [Numeric] kept free inside the cell
      # @param outline [Array<Array(Float, Float)>, nil] corners round a cell that is no rectangle, px of the sheet:
      #   proportions kept, everything stays in it
      # @return [Geometry::Affine] px
      # @raise [LayoutError] if the inset leaves nothing of the cell; where: { inset_px: }
      def self.call(points, box, way: "inside", turn_rad: 0.0, mirror: false, inset_px: 0, outline: nil)
        inner = inner(box, inset_px)
        turned = Geometry::Affine.turn(turn_rad) * Geometry::Affine.scale(mirror ? -1 : 1, 1)
        places = turned.apply(points)
        low, high = [places.min(axis: 0), places.max(axis: 0)].map(&:to_a)
        ratios = inner.each_index.map { |axis| inner[axis] / [high[axis] - low[axis], 1e-9].max }
        scale = { "fill" => ratios, "cover" => [ratios.max] * 2 }.fetch(way, [ratios.min] * 2)
        to, from =
          [[box.first(2), box.last(2)], [low, high]].map { |ends| ends.transpose.map { |both| both.sum / 2.0 } }
        set =
          lambda do |share|
            Geometry::Affine.move(*to) * Geometry::Affine.scale(*scale.map { |own| own * share }) *
              Geometry::Affine.move(*from.map(&:-@)) * turned
          end
        set.call(outline && way == "inside" ? share_inside(points, set, outline) : 1.0)
      end

      # By how much a shape must be smaller than its box to stay inside an outline; 1 where its middle does not lie in
      # it.
      def self.share_inside(points, set, outline)
        inside = ->(share) { set.call(share).apply(points).to_a.all? { |place| within?(outline, *place) } }
        return 1.0 if inside.call(1.0) || !inside.call(LEAST)

        low = LEAST
        high = 1.0
        HALVINGS.times { ((low + high) / 2).then { |middle| inside.call(middle) ? low = middle : high = middle } }
        low
      end

      # Even and odd crossings of a ray to the right, as Geometry::OutlineGap.
      def self.within?(outline, x, y)
        outline
          .each_index
          .count do |i|
            (ax, ay), (bx, by) = [outline[i - 1], outline[i]]
            (ay > y) != (by > y) && x < ax + ((y - ay) * (bx - ax) / (by - ay).to_f)
          end
          .odd?
      end

      # @return [Array(Float, Float)] width and height of what the inset leaves
      def self.inner(box, inset_px)
        size = [box[2] - box[0], box[3] - box[1]]
        left = size.map { |side| side - (2 * inset_px) }
        return left if left.min.positive?

        raise LayoutError.new(
                format(
                  "an inset of %g px leaves nothing of a cell of %g x %g px",
                  inset_px,
                  *size.map { |side| side.round(2) }
                ),
                where: {
                  inset_px: inset_px
                }
              )
      end
      private_class_method :inner, :share_inside

      # @return [Geometry::Affine] that takes one box onto another
      def self.box_to_box(from, to)
        scale = [0, 1].map { |axis| (to[axis + 2] - to[axis]) / (from[axis + 2] - from[axis]).to_f }
        Geometry::Affine.move(to[0], to[1]) * Geometry::Affine.scale(*scale) * Geometry::Affine.move(-from[0], -from[1])
      end

      # @return [Cell, nil] the smallest cell of an underlay that an island lies in, to within half a px
      def self.home(layout, island, underlay)
        box = layout.boxes_px[island, true].to_a
        underlay
          .cells
          .select do |cell|
            left, top, right, bottom = underlay.box_px(cell, layout.sheet)
            box[0] >= left - NEAR_PX && box[1] >= top - NEAR_PX && box[2] <= right + NEAR_PX &&
              box[3] <= bottom + NEAR_PX
          end
          .min_by { |cell| cell.width * cell.height }
      end
    end
  end
end
