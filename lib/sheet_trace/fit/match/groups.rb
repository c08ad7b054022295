# frozen_string_literal: true

module SheetTrace
  module Fit
    class Match
      # Cells that touch each other along a side, as the panels of one printed net do.
      module Groups
        LINE_PX = 3 # a fold line between two panels is at most as thick
        private_constant :LINE_PX

        # @param cells [Array<Cell>]
        # @return [Array<Array<Integer>>] each cell in one group
        def self.call(cells)
          gap = cells.each_index.to_a.combination(2).any? { |a, b| beside?(cells[a], cells[b], 0) } ? 0 : LINE_PX
          groups = cells.each_index.map { |i| [i] }
          cells
            .each_index
            .to_a
            .combination(2) do |a, b|
              next unless beside?(cells[a], cells[b], gap)

              first, other = [a, b].map { |i| groups.find { |group| group.include?(i) } }
              next if first.equal?(other)

              first.concat(other)
              groups.delete_if { |group| group.equal?(other) }
            end
          groups.map(&:sort)
        end

        # @param cells [Array<Cell>] of one group
        # @return [Array<Hash{Integer => Array(Integer, Integer)>}] by cell: those along its sides, and the way to
        #   them: right, down
        def self.ways(cells)
          gap = cells.combination(2).any? { |a, b| way(a, b, 0) } ? 0 : LINE_PX
          cells.map do |cell|
            cells
              .each_with_index
              .filter_map { |other, i| (found = other.equal?(cell) ? nil : way(cell, other, gap)) && [i, found] }
              .to_h
          end
        end

        def self.beside?(first, other, gap) = !way(first, other, gap).nil?

        # The way to a cell whose side faces this one's over some of its length, at most so far apart.
        def self.way(first, other, gap)
          left, top, right, bottom = first.box
          l, t, r, b = other.box
          across = [r, right].min - [l, left].max
          down = [b, bottom].min - [t, top].max
          return 0, t <=> top if across.positive? && down.between?(-gap, 0)

          [l <=> left, 0] if down.positive? && across.between?(-gap, 0)
        end
        private_class_method :beside?, :way
      end
    end
  end
end
