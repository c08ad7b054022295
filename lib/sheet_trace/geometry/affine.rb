# frozen_string_literal: true

module SheetTrace
  module Geometry
    # A map of the plane: (x, y) -> (a x + b y + c, d x + e y + f). Immutable.
    Affine =
      Struct.new(:a, :b, :c, :d, :e, :f) do
        def self.identity = new(1.0, 0.0, 0.0, 0.0, 1.0, 0.0)

        def self.move(dx, dy) = new(1.0, 0.0, dx.to_f, 0.0, 1.0, dy.to_f)

        # A turn of angle_rad from the x axis towards the y axis: clockwise to the eye where y points down.
        # Quarter turns are exact.
        def self.turn(angle_rad)
          quarters = angle_rad / (Math::PI / 2)
          cos, sin =
            if (quarters - quarters.round).abs < 1e-12
              [[1.0, 0.0], [0.0, 1.0], [-1.0, 0.0], [0.0, -1.0]][quarters.round % 4]
            else
              [Math.cos(angle_rad), Math.sin(angle_rad)]
            end
          new(cos, -sin, 0.0, sin, cos, 0.0)
        end

        def self.scale(sx, sy) = new(sx.to_f, 0.0, 0.0, 0.0, sy.to_f, 0.0)

        # The map that takes points nearest to others, by least squares.
        #
        # @param from [Numo::DFloat] n x 2; to [Numo::DFloat] n x 2
        # @return [Affine]
        # @raise [InputError] if the points of from lie on a line
        def self.fit(from, to)
          from_middle = from.mean(axis: 0)
          to_middle = to.mean(axis: 0)
          p = from - from_middle
          q = to - to_middle
          xx, xy, yy = [[0, 0], [0, 1], [1, 1]].map { |i, j| (p[true, i] * p[true, j]).sum }
          det = (xx * yy) - (xy * xy)
          raise InputError, "points on a line don't fix an affine map" unless det > 1e-12 * xx * yy

          rows =
            [0, 1].map do |axis|
              xq, yq = [0, 1].map { |i| (p[true, i] * q[true, axis]).sum }
              [((xq * yy) - (yq * xy)) / det, ((yq * xx) - (xq * xy)) / det]
            end
          (a, b), (d, e) = rows
          new(
            a,
            b,
            to_middle[0] - (a * from_middle[0]) - (b * from_middle[1]),
            d,
            e,
            to_middle[1] - (d * from_middle[0]) - (e * from_middle[1])
          )
        end

        # This map done about a point other than the origin.
        def about(x, y) = self.class.move(x, y) * self * self.class.move(-x, -y)

        # @return [Affine] first other, then this
        def *(other)
          self.class.new(
            (a * other.a) + (b * other.d),
            (a * other.b) + (b * other.e),
            (a * other.c) + (b * other.f) + c,
            (d * other.a) + (e * other.d),
            (d * other.b) + (e * other.e),
            (d * other.c) + (e * other.f) + f
          )
        end

        def determinant = (a * e) - (b * d)

        # @raise [InputError] if the map flattens the plane to a line or a point
        def inverse
          det = determinant
          raise InputError, "a map with determinant 0 can't be turned round" if det.zero?

          self.class.new(e / det, -b / det, ((b * f) - (c * e)) / det, -d / det, a / det, ((c * d) - (a * f)) / det)
        end

        # @param points [Numo::DFloat] n x 2
        # @return [Numo::DFloat] n x 2
        def apply(points)
          x = points[true, 0]
          y = points[true, 1]
          Numo::DFloat
            .zeros(points.shape[0], 2)
            .tap do |out|
              out[true, 0] = (x * a) + (y * b) + c
              out[true, 1] = (x * d) + (y * e) + f
            end
        end

        # @return [Array(Float, Float)]
        def at(x, y) = [(a * x) + (b * y) + c, (d * x) + (e * y) + f]
      end
  end
end
