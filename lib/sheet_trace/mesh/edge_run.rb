# frozen_string_literal: true

module SheetTrace
  class Mesh
    # Edges put end to end.
    module EdgeRun
      # @param edges [Array<Array(Integer, Integer)>] their vertices, in any order
      # @return [Array(Array<Integer>, Boolean)] vertices from end to end, and whether the last goes on to the first
      # @raise [InputError] where they make no single run; where: { edges: }
      def self.call(edges)
        beside =
          edges.each_with_object(Hash.new { |all, vertex| all[vertex] = [] }) do |(from, to), all|
            all[from] << to
            all[to] << from
          end
        ends = beside.select { |_vertex, others| others.size == 1 }.keys
        forks = beside.count { |_vertex, others| others.size > 2 }
        run = forks.zero? && ends.size <= 2 ? walk(beside, ends.min || beside.keys.min) : []
        return run, ends.empty? if run.size == beside.size && run.any?

        raise InputError.new(
                "the #{edges.size} edges are not one run from end to end; pick edges that follow each other",
                where: {
                  edges: edges.size
                }
              )
      end

      def self.walk(beside, start)
        run = [start]
        seen = { start => true }
        while (onward = beside[run.last].find { |vertex| !seen[vertex] })
          seen[onward] = true
          run << onward
        end
        run
      end
      private_class_method :walk
    end
  end
end
