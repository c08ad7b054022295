# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The symmetric Dirichlet energy of a flat map: s1^2 + s2^2 + s1^-2 + s2^-2 of each triangle, 4 where it is true in
    # shape and size, infinite where one is turned over.
    # Source: Smith, Schaefer, "Bijective Parameterization with Free Boundaries", SIGGRAPH 2015; the weights:
    #   Rabinovich,
    #   Poranne, Panozzo, Sorkine-Hornung, "Scalable Locally Injective Mappings", ACM TOG 36, 2017, section 3.
    class SymmetricDirichlet
      # @param plane [PlaneTriangles]
      def initialize(plane)
        @plane = plane
        freeze
      end

      # @param places [Numo::DFloat] n x 2
      # @return [Float] the mean over triangles, weighted by area
      def mean(places)
        a, b, c, d = maps(places)
        det = (a * d) - (b * c)
        return Float::INFINITY if ((det <= 0) & (@plane.areas > 0)).any?

        det[@plane.areas.eq(0)] = 1.0
        squares = (a * a) + (b * b) + (c * c) + (d * d)
        (squares * (1 + (1 / (det * det))) * @plane.areas).sum / @plane.areas.sum
      end

      # The quadratic model at a place: M = U diag(w1^2, w2^2) U^T of each triangle, and the nearest turns.
      #
      # @return [Hash] m: xx, xy, yy; turns and maps: a, b, c, d; t values each
      def model(places)
        a, b, c, d = maps(places)
        # Singular values and their directions in closed form: the map is a turn about p plus a mirrored turn about q.
        px, py = [(a + d) / 2, (c - b) / 2]
        qx, qy = [(a - d) / 2, (c + b) / 2]
        p = Numo::NMath.hypot(px, py)
        q = Numo::NMath.hypot(qx, qy)
        large = p + q
        small = Numo::DFloat.maximum(p - q, 1e-12)
        cos, sin = [px, py].map { |part| part / Numo::DFloat.maximum(p, 1e-300) }
        angle = (Numo::NMath.atan2(py, px) + Numo::NMath.atan2(qy, qx)) / 2
        w1, w2 = [large, small].map { |s| weight(s) }
        ux = Numo::NMath.cos(angle)
        uy = Numo::NMath.sin(angle)
        {
          m: [(w1 * ux * ux) + (w2 * uy * uy), (w1 - w2) * ux * uy, (w1 * uy * uy) + (w2 * ux * ux)],
          turns: [cos, -sin, sin, cos],
          maps: [a, b, c, d]
        }
      end

      # @return [Float] how far along a direction the first triangle collapses: the least positive root of det(J + t
      #   D) = 0
      def first_collapse(places, direction)
        a, b, c, d = maps(places)
        e, f, g, h = maps(direction)
        k2 = (e * h) - (f * g)
        k1 = (a * h) + (d * e) - (b * g) - (c * f)
        k0 = (a * d) - (b * c)
        disc = (k1 * k1) - (k2 * k0 * 4)
        real = (disc >= 0) & (@plane.areas > 0)
        root = Numo::NMath.sqrt(Numo::DFloat.maximum(disc, 0.0))
        # Both roots without loss of digits: q = -(k1 + sign(k1) root) / 2, t = q / k2 and k0 / q.
        sign = (Numo::DFloat.cast(k1 >= 0) * 2) - 1
        q = (k1 + (sign * root)) * -0.5
        roots = [divided(q, k2), divided(k0, q)].map { |t| t[(real & (t > 0)).where] }.reject(&:empty?)
        roots.empty? ? Float::INFINITY : roots.map(&:min).min
      end

      # @return [Integer] triangles turned over, or flat
      def turned(places)
        a, b, c, d = maps(places)
        ((((a * d) - (b * c)) <= 0) & (@plane.areas > 0)).count_true
      end

      private

      # @return [Array<Numo::DFloat>] a, b, c, d of each triangle's map [[a, b], [c, d]]
      def maps(places) = [0, 1].flat_map { |axis| @plane.changes(places[true, axis].copy) }

      # Squared: (s - s^-3) / (s - 1), which is 1 + 1 / s + 1 / s^2 + 1 / s^3.
      def weight(value)
        inverse = 1 / value
        1 + inverse + (inverse * inverse) + (inverse * inverse * inverse)
      end

      def divided(top, bottom)
        safe = bottom.copy
        zero = safe.eq(0)
        safe[zero] = 1.0
        (top / safe).tap { |t| t[zero] = -1.0 }
      end
    end
  end
end
