# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Cuts a simple polygon of the plane into triangles by clipping ears.
    # A polygon that crosses itself still gives n - 2 triangles: when no ear is left, the corner that
    # turns most is clipped. Corners on a straight side are no ears, and no ear is taken whose base they lie on, so
    # that triangles have area
    # where the polygon does. O(n^2) in corners.
    # Source: Meisters, "Polygons have ears", American Mathematical Monthly 82, 1975.
    module EarClipping
      STRAIGHT = 1e-9 # share of the product of two sides
      private_constant :STRAIGHT

      # @param points [Array<Array(Float, Float)>] n corners, anticlockwise
      # @return [Array<Array(Integer, Integer, Integer)>] n - 2 triples of corner numbers, anticlockwise
      def self.call(points)
        ring = (0...points.size).to_a
        triangles = []
        while ring.size > 3
          at = (0...ring.size).find { |i| ear?(points, ring, i) } || sharpest(points, ring)
          triangles << corner(ring, at)
          ring.delete_at(at)
        end
        triangles << ring
      end

      def self.corner(ring, i) = [ring[i - 1], ring[i], ring[(i + 1) % ring.size]]

      def self.ear?(points, ring, i)
        a, b, c = corner(ring, i)
        area = turn(points, a, b, c)
        return false unless area > STRAIGHT * length(points, a, b) * length(points, b, c)

        ring.none? { |p| p != a && p != b && p != c && inside?(points, p, [a, b, c], STRAIGHT * area) }
      end

      def self.inside?(points, p, triangle, slack)
        triangle.each_index.all? { |i| turn(points, triangle[i - 1], triangle[i], p) >= -slack } &&
          triangle.none? { |q| points[q] == points[p] }
      end

      def self.length(points, a, b) = Math.hypot(points[b][0] - points[a][0], points[b][1] - points[a][1])

      def self.sharpest(points, ring)
        (0...ring.size).max_by { |i| turn(points, *corner(ring, i)) }
      end

      # Twice the signed area of the triangle a, b, c.
      def self.turn(points, a, b, c)
        ax, ay = points[a]
        bx, by = points[b]
        cx, cy = points[c]
        ((bx - ax) * (cy - ay)) - ((by - ay) * (cx - ax))
      end
      private_class_method :corner, :ear?, :inside?, :length, :sharpest, :turn
    end
  end
end
