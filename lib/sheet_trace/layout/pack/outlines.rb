# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # The outlines of islands, each line with how many layers of triangles lie on its one side more than on its
      # other: so they hold for
      # islands with holes, mirrored ones and those that fold over.
      module Outlines
        # @param layout [Layout]
        # @return [Array<Array<Array(Float, Float, Float, Float, Integer)>>] by island: both ends, px, and the
        #   layers that begin where the
        #   line is crossed to the right
        def self.call(layout)
          triangles = layout.uv_map.triangles
          return Array.new(layout.uv_map.island_count) { [] } if triangles.points.empty?

          from, to = directed(layout.points_px, triangles.points)
          rows, layers = kept(from, to, layout.uv_map.point_count)
          islands = layout.uv_map.point_islands[from[rows]]
          ends = [from, to].flat_map { |points| [0, 1].map { |axis| layout.points_px[points[rows], axis] } }.map(&:to_a)
          lines = ends.transpose.zip(layers.to_a).map { |places, layer| [*places, layer] }
          Geometry::Grouped.lists(islands, layout.uv_map.island_count).map { |own| lines.values_at(*own) }
        end

        # @return [Array<Array(Float, Float, Float, Float, Integer)>] as of an island
        def self.rectangle(left, top, width, height)
          right = left + width
          below = top + height
          [
            [left, top, left, below, 1],
            [left, below, right, below, 1],
            [right, below, right, top, 1],
            [right, top, left, top, 1]
          ]
        end

        # Sides of triangles, all of which run the same way round.
        def self.directed(px, points)
          a, b, c = Array.new(3) { |k| Numo::Int64.cast(points[true, k]) }
          turned = ((px[b, 0] - px[a, 0]) * (px[c, 1] - px[a, 1])) - ((px[b, 1] - px[a, 1]) * (px[c, 0] - px[a, 0])) < 0
          swap = turned.where
          b[swap], c[swap] = [c[swap].copy, b[swap].copy] unless swap.empty?
          [a.concatenate(b, c), b.concatenate(c, a)]
        end

        # Sides that are not evened out by a neighbour's.
        def self.kept(from, to, count)
          ranks, pairs =
            Geometry::Grouped.ranks((Numo::Int64.minimum(from, to) * count) + Numo::Int64.maximum(from, to))
          rising = (Numo::DFloat.cast(from < to) * 2) - 1
          net = Geometry::Grouped.sum(ranks, rising, pairs)
          first = Numo::Int64.new(pairs).fill(0).tap { |rows| rows[ranks] = Numo::Int64.new(ranks.size).seq }
          wanted = net.ne(0).where
          rows = first[wanted]
          [rows, Numo::Int64.cast(net[wanted] * rising[rows])]
        end
        private_class_method :directed, :kept
      end
    end
  end
end
