# frozen_string_literal: true

module SheetTrace
  module Geometry
    # Cuts a simple polygon of the plane into triangles by clipping ears.
    # A polygon that crosses itself still gives n - 2 triangles: when no ear is left, the corner that
    # turns most is clipped. O(n^2) in corners.
    # Source: Meisters, "Polygons have ears", American Mathematical Monthly 82, 1975.
    module EarClipping
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
        return false unless turn(points, a, b, c).positive?

        ring.none? { |p| p != a && p != b && p != c && inside?(points, p, a, b, c) }
      end

      def self.inside?(points, p, a, b, c)
        [[a, b], [b, c], [c, a]].all? { |from, to| turn(points, from, to, p) >= 0 } &&
          [a, b, c].none? { |q| points[q] == points[p] }
      end

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
      private_class_method :corner, :ear?, :inside?, :sharpest, :turn
    end
  end
end
