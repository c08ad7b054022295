# frozen_string_literal: true

module SheetTrace
  module Flatten
    # The closed lines round a piece, each as the triangles run.
    module Border
      # @param triangles [Numo::Int32] t x 3
      # @return [Array<Array<Integer>>] loops of vertex indices
      def self.call(triangles)
        a = Numo::Int64.cast(triangles[true, 0].concatenate(triangles[true, 1], triangles[true, 2]))
        b = Numo::Int64.cast(triangles[true, 1].concatenate(triangles[true, 2], triangles[true, 0]))
        size = triangles.max + 1
        keys = (Numo::Int64.minimum(a, b) * size) + Numo::Int64.maximum(a, b)
        ranks, count = Geometry::Grouped.ranks(keys)
        lone = ranks.bincount(minlength: count).eq(1)[ranks].where
        lone.empty? ? [] : loops(a[lone].to_a.zip(b[lone].to_a))
      end

      # Where several borders touch in one vertex, they are told apart by walking on from the edge that came.
      def self.loops(edges)
        following =
          edges.each_with_object(Hash.new { |all, from| all[from] = [] }) { |(from, to), all| all[from] << to }
        found = []
        until following.empty?
          start = following.keys.first
          loop_so_far = [start]
          while (onward = following[loop_so_far.last].shift)
            following.delete(loop_so_far.last) if following[loop_so_far.last].empty?
            break if onward == start

            loop_so_far << onward
          end
          following.delete_if { |_from, to| to.empty? }
          found << loop_so_far
        end
        found
      end
      private_class_method :loops
    end
  end
end
