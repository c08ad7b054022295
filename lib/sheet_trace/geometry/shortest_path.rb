# frozen_string_literal: true

require "pqueue"

module SheetTrace
  module Geometry
    # The cheapest way through a graph whose steps cost nothing less than 0. O(n log n) in the steps looked at.
    # Source: Dijkstra, "A note on two problems in connexion with graphs", Numerische Mathematik 1, 1959.
    module ShortestPath
      # @param starts [Array<Integer>] nodes
      # @param goals [Array<Integer>] nodes; the nearest of them is the end
      # @yieldparam node [Integer]
      # @yieldreturn [Array<Array(Integer, Integer, Float)>] steps from it: the node they lead to, what they go
      #   along, their cost
      # @return [Array<Integer>, nil] what the way goes along, from its start on; nil if there is none
      def self.call(starts, goals)
        wanted = goals.to_h { |node| [node, true] }
        reached = starts.to_h { |node| [node, 0.0] }
        came = {}
        queue = PQueue.new(starts.map { |node| [0.0, node] }) { |a, b| a[0] < b[0] }
        until queue.empty?
          distance, node = queue.pop
          return back(node, came) if wanted[node]
          next if distance > reached[node]

          yield(node).each do |other, along, cost|
            further = distance + cost
            next unless further < reached.fetch(other, Float::INFINITY)

            reached[other] = further
            came[other] = [along, node]
            queue.push([further, other])
          end
        end
      end

      def self.back(node, came)
        way = []
        while (along, node = came[node])
          way << along
        end
        way.reverse
      end
      private_class_method :back
    end
  end
end
