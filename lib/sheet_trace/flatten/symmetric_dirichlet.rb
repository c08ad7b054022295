# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The symmetric Dirichlet energy of a flat map: s1^2 + s2^2 + s1^-2 + s2^-2 of each triangle, 4 where it is true in
    # shape and size, infinite where one is turned over.
    # Source: Smith, Schaefer, "Bijective Parameterization with Free Boundaries", SIGGRAPH 2015.
    class SymmetricDirichlet
      LEAST_STRETCH = 1e-12
      private_constant :LEAST_STRETCH

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

      # Half the energy's slopes by each triangle's map [[a, b], [c, d]], and half its second derivatives, of which only
      # what curves up is kept, so that a step along them leads down. Both by area, t values each.
      #
      # @return [Hash] slopes: of a, b, c, d; curvature: { [i, j] => of the i-th and the j-th of these, i up to j }
      # Source: Smith, De Goes, Kim, "Analytic Eigensystems for Isotropic Distortion Energies", ACM TOG 38, 2019,
      #   sections 4 and 5.
      def model(places)
        a, b, c, d = maps(places)
        # The map is a turn by p plus a mirrored turn by q; its singular values are their sum and their difference.
        turn, p = direction((a + d) / 2, (c - b) / 2)
        mirrored, q = direction((a - d) / 2, (c + b) / 2)
        large = p + q
        small = Numo::DFloat.maximum(p - q, LEAST_STRETCH)
        modes = modes(turn, mirrored)
        { slopes: slopes(large, small, modes), curvature: curvature(eigenvalues(large, small), modes) }
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

      # @return [Array] cosine and sine of a direction, any where there is none; and the length
      def direction(x, y)
        length = Numo::NMath.hypot(x, y)
        none = length.eq(0)
        safe = length.copy.tap { |lengths| lengths[none] = 1.0 }
        [[(x / safe).tap { |cos| cos[none] = 1.0 }, y / safe], length]
      end

      # Four ways to change a map, each of length 1 and square to the others: to stretch along the first and along the
      # second axis, to twist, and to flip. Entries a, b, c, d of each.
      def modes((turn_cos, turn_sin), (mirrored_cos, mirrored_sin))
        turned = [turn_cos, -turn_sin, turn_sin, turn_cos]
        mirrored = [mirrored_cos, mirrored_sin, mirrored_sin, -mirrored_cos]
        [
          turned.zip(mirrored).map { |own, other| (own + other) / 2 },
          turned.zip(mirrored).map { |own, other| (own - other) / 2 },
          [-turn_sin, -turn_cos, turn_cos, -turn_sin].map { |entry| entry * Math.sqrt(0.5) },
          [-mirrored_sin, mirrored_cos, mirrored_cos, mirrored_sin].map { |entry| entry * Math.sqrt(0.5) }
        ]
      end

      # What the energy curves by along each of the four.
      def eigenvalues(large, small)
        product = large * small
        cube = product * product * product
        squares = (large * large) + (small * small)
        [
          *[large, small].map { |s| 1 + (3 / (s * s * s * s)) },
          Numo::DFloat.maximum(1 - ((squares - product) / cube), 0.0),
          1 + ((squares + product) / cube)
        ]
      end

      def slopes(large, small, modes)
        first, second = [large, small].map { |s| (s - (1 / (s * s * s))) * @plane.areas }
        modes[0].zip(modes[1]).map { |along, across| (first * along) + (second * across) }
      end

      def curvature(values, modes)
        weighted = values.zip(modes).map { |value, mode| mode.map { |entry| value * @plane.areas * entry } }
        (0..3)
          .to_a
          .repeated_combination(2)
          .to_h { |i, j| [[i, j], weighted.zip(modes).map { |own, mode| own[i] * mode[j] }.sum] }
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
