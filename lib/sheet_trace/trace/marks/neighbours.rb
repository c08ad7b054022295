# frozen_string_literal: true

module SheetTrace
  module Trace
    module Marks
      # Along each seam, the name of the island that lies across it on the model.
      module Neighbours
        SHARE = 0.7 # of a side, that its name may take
        LARGEST = 0.012 # of the sheet's longer side
        private_constant :SHARE, :LARGEST
        # How far they reach into an island, of most sheets.
        DEEP_PX = 16.0

        # @param subject [Subject]
        # @return [Array<Drawing::Words>]
        def self.call(subject)
          edges = subject.map.edges
          across = subject.map.edge_neighbours
          rows = (edges.outline & (across >= 0)).where.to_a
          rows
            .group_by { |row| [edges.islands[row], across[row]] }
            .filter_map { |(island, other), own| words(subject, edges, own, island, other) }
        end

        # By the longest straight side that both share.
        def self.words(subject, edges, rows, island, other)
          return if island == other || !subject.islands.include?(island)

          ends = rows.map { |row| edges.points[row, true].to_a.map { |point| subject.points_px[point, true].to_a } }
          (ax, ay), (bx, by) = Sides.longest(ends)
          length = Math.hypot(bx - ax, by - ay)
          text = "to #{subject.name(other)}"
          size = [
            SHARE * length / Drawing::Words.width(text),
            LARGEST * [subject.size.width_px, subject.size.height_px].max
          ].min
          return if size < Marks.least_px(subject)

          along = Math.atan2(by - ay, bx - ax)
          along += Math::PI if along.abs > (Math::PI / 2) + 1e-9 # never upside down
          x, y =
            inwards(subject, island, [(ax + bx) / 2, (ay + by) / 2], [-(by - ay) / length, (bx - ax) / length], size)
          Drawing::Words.new(text: text, x: x, y: y, size_px: size, turn_rad: along, color: Marks.color(subject))
        end

        # From the side towards the island's inside.
        def self.inwards(subject, island, middle, normal, size)
          inside = subject.points_px[subject.map.island_points[island], true].mean(axis: 0).to_a
          towards = (((inside[0] - middle[0]) * normal[0]) + ((inside[1] - middle[1]) * normal[1])).negative? ? -1 : 1
          far = (size * 0.75) + (subject.options[:marks].include?("rulers") ? Rulers::DEEP_PX : 0)
          middle.zip(normal).map { |at, way| at + (way * towards * far) }
        end
        private_class_method :words, :inwards
      end
    end
  end
end
