# frozen_string_literal: true

module SheetTrace
  module Fit
    class Match
      # The outline of an island or of cells, told by a grid of places: brought to one size, so that proportions are
      # told apart from it.
      #
      # width, height [Float]; area [Float] under the outline; places [Integer] whose bits are the places, row by row;
      # box [Array, nil] px of the picture
      Shape =
        Struct.new(:width, :height, :area, :places, :box, keyword_init: true) do
          # @return [Shape] of an island lying flat, upright as seen from outside, mm
          def self.of_island(map, island, flat_map)
            triangles = map.triangles.points[map.island_triangles[island], true]
            x, y = flat_map.by_point.then { |across, up| [across, -up] }
            x -= x[flat_map.points].min
            y -= y[flat_map.points].min
            size = [x, y].map { |values| [values[flat_map.points].max, 1e-9].max }
            corners = Numo::DFloat.zeros(*triangles.shape, 2)
            corners[true, true, 0] = x[triangles] * Shape::GRID / size[0]
            corners[true, true, 1] = y[triangles] * Shape::GRID / size[1]
            places, = Raster::Rasterise.call(corners, Shape::GRID, Shape::GRID)
            of_places(places.to_a.uniq, size)
          end

          # @return [Shape] of cells together, px of their picture
          def self.of_cells(cells)
            left, top, right, bottom =
              [0, 1, 2, 3].map do |side|
                cells.map { |cell| cell.box[side] }.then { |all| side < 2 ? all.min : all.max }
              end
            steps = [right - left, bottom - top].map { |length| length.fdiv(Shape::GRID) }
            places =
              (0...Shape::GRID)
                .to_a
                .product((0...Shape::GRID).to_a)
                .filter_map do |row, column|
                  x = left + ((column + 0.5) * steps[0])
                  y = top + ((row + 0.5) * steps[1])
                  (row * Shape::GRID) + column if cells.any? { |cell| Shape.inside?(cell, x, y) }
                end
            of_places(places, [right - left, bottom - top], box: [left, top, right, bottom])
          end

          def self.of_places(places, size, box: nil)
            new(
              width: size[0],
              height: size[1],
              area: size.reduce(:*) * places.size / (Shape::GRID**2),
              places: places.sum { |place| 1 << place },
              box: box
            )
          end

          def self.inside?(cell, x, y)
            if cell.outline
              IntoCell.within?(cell.outline, x, y)
            else
              x.between?(cell.x, cell.x + cell.width) && y.between?(cell.y, cell.y + cell.height)
            end
          end

          def ratio = width.fdiv(height)

          # @param quarters [Integer] clockwise to the eye; mirrored [Boolean] before that
          # @return [Shape]
          def turned(quarters, mirrored)
            (@turned ||= {})[[quarters, mirrored]] ||= begin
              grid =
                Array.new(Shape::GRID) do |row|
                  Array.new(Shape::GRID) { |column| places[(row * Shape::GRID) + column] }
                end
              grid = grid.map(&:reverse) if mirrored
              quarters.times { grid = grid.reverse.transpose }
              size = quarters.odd? ? [height, width] : [width, height]
              Shape.new(
                width: size[0],
                height: size[1],
                area: area,
                box: box,
                places: grid.flatten.each_with_index.sum { |bit, i| bit << i }
              )
            end
          end

          # @return [Float] places that both have, of those that either has
          def overlap(other)
            any = Shape.bits(places | other.places)
            any.zero? ? 0.0 : Shape.bits(places & other.places).fdiv(any)
          end

          def self.bits(number) = number.to_s(2).count("1")
        end

      # Places along either side.
      class Shape
        GRID = 20
      end
    end
  end
end
