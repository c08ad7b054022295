# frozen_string_literal: true

module SheetTrace
  class Layout
    class Pack
      # How far places near outlines are from them, worked out beforehand at the corners of cells. Between corners it is
      # taken as bilinear.
      class DistanceFields
        # @return [Float] length of a cell's side, px
        attr_reader :cell
        # @return [Numo::Int32] by shape: its first corner among all; corners across and down
        attr_reader :first, :columns, :rows
        # @return [Numo::DFloat] by shape: left and top of its first corner, px
        attr_reader :left, :top

        # @param shapes [Array<Array<Array>>] lines as Outlines gives them, px
        # @param cell [Float] px; reach [Float] px about the outlines within which distances are worked out
        def initialize(shapes, cell, reach)
          @cell = cell
          @reach = reach
          fields = shapes.map { |lines| field(Numo::DFloat.cast(lines)) }
          @left, @top = Array.new(2) { |k| Numo::DFloat.cast(fields.map { |field| field[k] }) }
          distances = fields.map(&:last)
          @rows, @columns = Array.new(2) { |k| Numo::Int32.cast(distances.map { |own| own.shape[k] }) }
          sizes = distances.map(&:size)
          @first = Numo::Int32.cast(sizes.size.times.map { |i| sizes.first(i).sum })
          @squares = squares(distances)
        end

        # @param corners [Numo::Int32] n first corners of cells, of those of all shapes
        # @return [Numo::DFloat] 4 x n: the distance there, and at the corners to the right, below, and below to the
        #   right; negative within
        def at(corners) = @squares[true, corners]

        private

        def field(lines)
          left, top, right, bottom = box(lines)
          columns = ((right - left) / @cell).ceil + 2
          rows = ((bottom - top) / @cell).ceil + 2
          squares = Numo::DFloat.new(rows, columns).fill(@reach**2)
          at = [(Numo::DFloat.new(1, columns).seq * @cell) + left, (Numo::DFloat.new(rows, 1).seq * @cell) + top]
          lines.to_a.each { |line| nearer(squares, at, line, left, top) }
          distances = Numo::NMath.sqrt(squares)
          within = within(lines, rows, columns, left, top)
          distances[within] = -distances[within] unless within.empty?
          [left, top, distances]
        end

        def box(lines)
          xs, ys = [[0, 2], [1, 3]].map { |ends| lines[true, ends] }
          [xs.min - @reach, ys.min - @reach, xs.max + @reach, ys.max + @reach]
        end

        # Takes the squares of distances to a line where they are less.
        def nearer(squares, (across, down), (x1, y1, x2, y2, _layers), left, top)
          columns = span(x1, x2, left, squares.shape[1])
          rows = span(y1, y2, top, squares.shape[0])
          dx = x2 - x1
          dy = y2 - y1
          length = [(dx**2) + (dy**2), Float::MIN].max
          x = across[true, columns] - x1
          y = down[rows, true] - y1
          share = ((x * (dx / length)) + (y * (dy / length))).clip(0, 1)
          found = ((x - (share * dx))**2) + ((y - (share * dy))**2)
          squares[rows, columns] = Numo::DFloat.minimum(squares[rows, columns], found)
        end

        def span(first, second, start, count)
          low, high = first < second ? [first, second] : [second, first]
          [((low - @reach - start) / @cell).floor, 0].max..[((high + @reach - start) / @cell).ceil, count - 1].min
        end

        # Corners about which the outline winds: each row of corners crosses lines from left to right.
        #
        # @return [Numo::Int32] of the corners row by row
        def within(lines, rows, columns, left, top)
          down = (Numo::DFloat.new(rows, 1).seq * @cell) + top
          crossed = (lines[true, 1].expand_dims(0).le(down) ^ lines[true, 3].expand_dims(0).le(down)).where
          return Numo::Int32[] if crossed.empty?

          row = crossed / lines.shape[0]
          x1, y1, x2, y2, layers = Array.new(5) { |k| lines[crossed % lines.shape[0], k] }
          x = x1 + ((x2 - x1) * ((row * @cell) + top - y1) / (y2 - y1))
          column = Numo::Int64.cast(((x - left) / @cell).ceil)
          turns = layers * (((y2 > y1).cast_to(Numo::DFloat) * 2) - 1)
          wound = Geometry::Grouped.sum((row * columns) + column, turns, rows * columns)
          wound.reshape(rows, columns).cumsum(1).abs.gt(0.5).where
        end

        def squares(distances)
          corners = Numo::DFloat.zeros(4, @first[-1] + distances.last.size)
          distances.each_with_index do |own, i|
            from = @first[i]
            [0, 1, own.shape[1], own.shape[1] + 1].each_with_index do |ahead, k|
              corners[k, from...(from + own.size - ahead)] = own.flatten[ahead..]
            end
          end
          corners
        end
      end
    end
  end
end
