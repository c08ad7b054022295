# frozen_string_literal: true

module SheetTrace
  module Fit
    class Match
      # What lies next to what, and on which side.
      module Neighbours
        NEAR = 0.35 # of the sides of two boxes together: how far apart they may be to be neighbours
        private_constant :NEAR

        # @param map [UvMap]; units [Array<Array<Integer>>] islands that go as one, the first leads
        # @param flat_map [#call]
        # @return [Array<Hash{Integer => Array(Float, Float)}>] by unit: the units across its border on the model,
        #   and where that border is, right and down
        #   from its middle
        def self.of_islands(map, units, flat_map)
          unit_of = units.each_with_index.flat_map { |islands, unit| islands.map { |island| [island, unit] } }.to_h
          across = map.edge_neighbours
          units.each_with_index.map do |islands, unit|
            x, y = flat_map.call(islands.first).by_point
            rows = (map.edges.islands.eq(islands.first) & across.ge(0)).where
            rows
              .to_a
              .each_with_object(Hash.new { |all, other| all[other] = [0.0, 0.0] }) do |edge, sums|
                other = unit_of[across[edge]]
                next if other.nil? || other == unit

                ends = map.edges.points[edge, true]
                sums[other][0] += x[ends].mean
                sums[other][1] -= y[ends].mean
              end
          end
        end

        # @param boxes [Array<Array(Float, Float, Float, Float)>]
        # @return [Array<Hash{Integer => Array(Float, Float)}>] by box: those near by, and the way to them
        def self.of_boxes(boxes)
          boxes.map do |box|
            boxes
              .each_with_index
              .filter_map do |other, i|
                [i, middle(other).zip(middle(box)).map { |a, b| a - b }] if !other.equal?(box) && near?(box, other)
              end
              .to_h
          end
        end

        def self.near?(first, other)
          gaps = [0, 1].map { |axis| [other[axis] - first[axis + 2], first[axis] - other[axis + 2], 0.0].max }
          sides = [first, other].flat_map { |box| [box[2] - box[0], box[3] - box[1]] }
          gaps.max <= NEAR * sides.sum / 2
        end

        def self.middle(box) = [(box[0] + box[2]) / 2.0, (box[1] + box[3]) / 2.0]
        private_class_method :near?, :middle
      end
    end
  end
end
