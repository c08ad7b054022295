# frozen_string_literal: true

module SheetTrace
  module Flatten
    # A flat map that changes angles as little as the shape allows, with two border vertices held.
    # Source: Levy, Petitjean, Ray, Maillot, "Least Squares Conformal Maps for Automatic Texture Atlas Generation",
    #   SIGGRAPH 2002, as Dirichlet energy less area (Mullen, Tong, Alliez, Desbrun, "Spectral conformal
    #   parameterization", SGP 2008, section 3).
    module LeastSquaresConformal
      HELD = 1e7 # weight of the two held vertices beside the matrix's largest entry
      private_constant :HELD

      # @param positions [Numo::DFloat] n x 3
      # @param triangles [Numo::Int32] t x 3
      # @param borders [Array<Array<Integer>>] loops as the triangles run; more than one where there are openings
      # @return [Numo::DFloat, nil] n x 2, as large as the surface; nil if the matrix can't be factorised
      def self.call(positions, triangles, borders)
        count = positions.shape[0]
        plane = PlaneTriangles.new(positions, triangles)
        rows, columns, values = entries(plane, borders, count)
        pins = ends(positions, borders.max_by(&:size))
        weight = values.abs.max * HELD
        held = pins.flat_map { |vertex, _| [vertex, vertex + count] }
        right = Numo::DFloat.zeros(1, 2 * count)
        pins.each { |vertex, at| right[0, vertex] = weight * at }
        rows = rows.concatenate(Numo::Int64.cast(held))
        columns = columns.concatenate(Numo::Int64.cast(held))
        answer =
          Geometry::SparseSolver.open(
            rows,
            columns,
            values.concatenate(Numo::DFloat.new(held.size).fill(weight)),
            2 * count
          ) { |solver| solver.solve(right) }
        sized(answer, count, plane) if answer.isfinite.all?
      end

      def self.entries(plane, borders, count)
        lists =
          plane.stiffness.flat_map do |(i, j), product|
            a = plane.triangles[true, i]
            b = plane.triangles[true, j]
            values = product * plane.areas
            [0, count].map { |shift| [Numo::Int64.minimum(a, b) + shift, Numo::Int64.maximum(a, b) + shift, values] }
          end
        from = Numo::Int64.cast(borders.flatten(1))
        to = Numo::Int64.cast(borders.flat_map(&:rotate))
        half = Numo::DFloat.new(from.size).fill(0.5)
        # Area is half the sum of u v' - u' v along the border; its derivative stands between u and v.
        lists << [from, to + count, -half] << [to, from + count, half]
        lists.transpose.map { |some| some.first.concatenate(*some[1..]) }
      end

      # Two border vertices far apart, at their distance on the x axis.
      def self.ends(positions, border)
        ring = positions[border, true]
        far = Geometry::Vectors.lengths(ring - ring[0, true]).max_index
        back = Geometry::Vectors.lengths(ring - ring[far, true]).max_index
        [
          [border[far], 0.0],
          [border[back], Geometry::Vectors.lengths((ring[far, true] - ring[back, true]).reshape(1, 3))[0]]
        ]
      end

      def self.sized(answer, count, plane)
        u = answer[0, 0...count].copy
        v = answer[0, count..-1].copy
        (ux, uy), (vx, vy) = [u, v].map { |values| plane.changes(values) }
        area = (((ux * vy) - (uy * vx)) * plane.areas).sum
        return unless area.positive?

        Geometry::Vectors.columns([u, v]) * Math.sqrt(plane.areas.sum / area)
      end
      private_class_method :entries, :ends, :sized
    end
  end
end
