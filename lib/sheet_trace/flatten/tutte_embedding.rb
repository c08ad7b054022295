# frozen_string_literal: true

module SheetTrace
  module Flatten
    # A first flat map of a disc without a turned triangle: its border on a circle, each inner vertex in the middle of
    # its
    # neighbours.
    # Source: Tutte, "How to draw a graph", Proceedings of the London Mathematical Society 13, 1963.
    module TutteEmbedding
      # @param positions [Numo::DFloat] n x 3
      # @param triangles [Numo::Int32] t x 3
      # @param border [Array<Integer>] the disc's border, as the triangles run
      # @return [Numo::DFloat] n x 2, as large as the surface
      def self.call(positions, triangles, border)
        count = positions.shape[0]
        circle = on_circle(positions, border)
        inner = Numo::Bit.ones(count).tap { |bits| bits[border] = 0 }
        places = inner.eq(0).all? ? circle : middles(triangles, circle, inner, count)
        flat = Geometry::Vectors.columns([places[true, 0], places[true, 1], places[true, 0] * 0])
        surface_area, flat_area = [positions, flat].map { |points| PlaneTriangles.new(points, triangles).areas.sum }
        places * Math.sqrt(surface_area / [flat_area, Float::MIN].max)
      end

      def self.on_circle(positions, border)
        ring = positions[border, true]
        lengths = Geometry::Vectors.lengths(ring - positions[border.rotate(-1), true])
        angles = lengths.cumsum / [lengths.sum, Float::MIN].max * (2 * Math::PI)
        Numo::DFloat
          .zeros(positions.shape[0], 2)
          .tap do |places|
            places[border, 0] = Numo::NMath.cos(angles)
            places[border, 1] = Numo::NMath.sin(angles)
          end
      end

      # Solves for the inner vertices; those of the border stand on the right side.
      def self.middles(triangles, circle, inner, count)
        pairs = VertexPairs.new(triangles, count)
        from, to = [pairs.low, pairs.high]
        degrees = from.concatenate(to).bincount(minlength: count)
        diagonal = Numo::Int64.new(count).seq
        own = Numo::DFloat.cast(degrees)
        own[inner.eq(0).where] = 1.0
        own[own.eq(0)] = 1.0
        both = (inner[from] & inner[to]).where
        rows = diagonal.concatenate(Numo::Int64.minimum(from[both], to[both]))
        columns = diagonal.concatenate(Numo::Int64.maximum(from[both], to[both]))
        right = right_sides(circle, inner, from, to, count)
        Geometry::SparseSolver.open(
          rows,
          columns,
          own.concatenate(Numo::DFloat.new(both.size).fill(-1)),
          count
        ) do |solver|
          solver.solve(right).then { |answer| Geometry::Vectors.columns([answer[0, true], answer[1, true]]) }
        end
      end

      def self.right_sides(circle, inner, from, to, count)
        Numo::DFloat
          .zeros(2, count)
          .tap do |right|
            2.times do |axis|
              values = circle[true, axis].copy
              right[axis, true] = values
              [[from, to], [to, from]].each do |a, b|
                rows = (inner[a] & ~inner[b]).where
                next if rows.empty?

                right[axis, true] = right[axis, true] +
                  Geometry::Grouped.sum(Numo::Int32.cast(a[rows]), values[b[rows]], count)
              end
            end
          end
      end

      private_class_method :on_circle, :middles, :right_sides
    end
  end
end
