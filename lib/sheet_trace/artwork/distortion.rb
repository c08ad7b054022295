# frozen_string_literal: true

module SheetTrace
  module Artwork
    # How the rectangle that a content fills is bent and pulled before it lies on the surface: bent along an arc, so
    # that its middle line keeps its length, then its four corners pulled, each by itself. Immutable.
    #
    # Places of the surface are shares of the undistorted rectangle, x from its left, y down from its top; places of the
    # content are shares of the content.
    class Distortion
      # Quadrilaterals flatter than this share of the rectangle show nothing.
      LEAST_AREA = 1e-3
      # Places of the outline along a side that is bent.
      SIDE = 16
      CORNERS = [[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]].freeze
      # Of the bend at which the inner side has no length, what is left of it at the least.
      MOST = 0.98
      private_constant :LEAST_AREA, :SIDE, :CORNERS, :MOST

      # As far as what is shown lets itself be bent: an edition may show something higher than what was bent.
      #
      # @return [Distortion]
      def self.within(aspect, bend_rad, pulls)
        most = MOST * 2 * aspect
        new(aspect, bend_rad.clamp(-most, most), pulls)
      end

      # @param aspect [Float] width over height of the rectangle
      # @param bend_rad [Float] of the circle that its width goes along; above 0 its middle stands higher than its ends
      # @param pulls [Array<Float>] 8: how far its corners are pulled, right and down, shares of its width and height;
      #   top left, top right, bottom right, bottom left
      # @raise [InputError] where its inner side would have no length, or the corners make no convex quadrilateral
      def initialize(aspect, bend_rad, pulls)
        @aspect = aspect
        @bend = bend_rad
        @corners = CORNERS.zip(pulls.each_slice(2)).map { |corner, pull| corner.zip(pull).map(&:sum) }
        validate
        @to_plain = Geometry::Homography.fit(Numo::DFloat[*@corners], Numo::DFloat[*CORNERS]) if pulled?
        freeze
      end

      # @return [Boolean] whether it leaves everything as it is
      def none? = @bend.zero? && !pulled?

      # @param x [Numo::DFloat] places of the surface; y [Numo::DFloat]
      # @return [Array(Numo::DFloat, Numo::DFloat)] places of the content, across and down; not a number where nothing
      #   of it can lie
      def to_content(x, y) = with_slopes(x, y, [[x * 0, x * 0], [x * 0, x * 0]]).first

      # @param gradients [Array] how x and then y change with px right and px down
      # @return [Array] places of the content, and how far they change in a px: [[across, down], [slope, slope]]
      def with_slopes(x, y, gradients)
        pulled = @to_plain ? unpulled(x, y, gradients) : [x, y, gradients]
        across, down, slopes = @bend.zero? ? pulled : unbent(*pulled)
        [[across, down], slopes.map { |right, below| Numo::NMath.hypot(right, below) }]
      end

      # @param places [Array<Array(Float, Float)>] of the content
      # @return [Numo::DFloat] n x 2 places of the surface
      def to_surface(places)
        bent = Numo::DFloat[*places.map { |across, down| @bend.zero? ? [across, down] : bent(across, down) }]
        @to_plain ? @to_plain.inverse.apply(bent) : bent
      end

      # @return [Numo::DFloat] 4 x 2 places of the surface: where the rectangle's corners are pulled to
      def corners = Numo::DFloat[*@corners]

      # @param bent [Boolean] whether the surface bends what is straight
      # @return [Numo::DFloat] n x 2 places of the surface round its border, from the top left on clockwise
      def outline(bent: false)
        count = @bend.zero? && !bent ? 1 : SIDE
        sides = CORNERS.zip(CORNERS.rotate)
        to_surface(
          sides.flat_map { |from, to| Array.new(count) { |i| from.zip(to).map { |a, b| a + ((b - a) * i / count) } } }
        )
      end

      # @return [Array(Float, Float)] how much longer its middle lines across and down are than the rectangle's
      def growth
        top, right, bottom, left =
          @corners.zip(@corners.rotate).map { |from, to| [(to[0] - from[0]) * @aspect, to[1] - from[1]] }
        [
          [top, bottom].sum { |side| Math.hypot(*side) } / 2 / @aspect,
          [left, right].sum { |side| Math.hypot(*side) } / 2
        ]
      end

      private

      def pulled? = @corners != CORNERS

      def validate
        if @bend.abs >= 2 * @aspect
          raise InputError.new(
                  "bent by #{(@bend.abs * 180 / Math::PI).round} ° its inner side would have no length; at most " \
                    "#{(360 * @aspect / Math::PI).floor} ° go at this height",
                  where: {
                    bend_deg: @bend * 180 / Math::PI
                  }
                )
        end
        turns =
          Array.new(4) do |i|
            (ax, ay), (bx, by), (cx, cy) = @corners.rotate(i).first(3)
            ((bx - ax) * (cy - by)) - ((by - ay) * (cx - bx))
          end
        return if turns.min > LEAST_AREA

        raise InputError.new(
                "the corners are pulled over each other; leave every corner of the picture pointing outwards",
                where: {
                  corners: @corners.flatten
                }
              )
      end

      # Where corners are pulled: the place in the rectangle, and its changes with px.
      def unpulled(x, y, gradients)
        a, b, c, d, e, f, g, h = @to_plain.to_a
        weight = (x * g) + (y * h) + 1.0
        weight[(weight <= 0).where] = Float::NAN if weight.min <= 0
        plain_x = ((x * a) + (y * b) + c) / weight
        plain_y = ((x * d) + (y * e) + f) / weight
        chained(
          plain_x,
          plain_y,
          gradients,
          [(plain_x * -g) + a, (plain_x * -h) + b].map { |value| value / weight },
          [(plain_y * -g) + d, (plain_y * -h) + e].map { |value| value / weight }
        )
      end

      # Where it is bent: along the arc and across it. Lengths are shares of the width, y up from its middle.
      def unbent(x, y, gradients)
        sign = @bend <=> 0
        bend = @bend.abs
        right = x - 0.5
        out = (((y * -1) + 0.5) * (sign / @aspect)) + (1 / bend)
        far = Numo::NMath.hypot(right, out)
        square = far**2
        chained(
          (Numo::NMath.atan2(right, out) / bend) + 0.5,
          ((far - (1 / bend)) * (-sign * @aspect)) + 0.5,
          gradients,
          [out / square / bend, right / square * (sign / (bend * @aspect))],
          [right / far * (-sign * @aspect), out / far]
        )
      end

      # By the chain rule.
      def chained(across, down, gradients, *slopes)
        changes =
          slopes.map do |by_x, by_y|
            gradients[0].zip(gradients[1]).map { |x_changes, y_changes| (by_x * x_changes) + (by_y * y_changes) }
          end
        [across, down, changes]
      end

      def bent(across, down)
        sign = @bend <=> 0
        bend = @bend.abs
        far = ((0.5 - down) * sign / @aspect) + (1 / bend)
        angle = (across - 0.5) * bend
        [0.5 + (far * Math.sin(angle)), 0.5 - (((far * Math.cos(angle)) - (1 / bend)) * sign * @aspect)]
      end
    end
  end
end
