# frozen_string_literal: true

module SheetTrace
  module Raster
    # For each texel of a sheet, or of a rectangle of it, whose centre lies on a triangle: which one. The bridge between
    # sheet and surface. Immutable.
    class TexelMap
      AT_ONCE = 32_768 # texels
      # By how much what is the same may differ from triangle to triangle.
      ROUNDING = 1e-11
      private_constant :AT_ONCE, :ROUNDING

      # @return [Integer] where the rectangle lies on the sheet, px
      attr_reader :left_px, :top_px
      # @return [Integer]
      attr_reader :width_px, :height_px
      # @return [Numo::Int32] one a texel, in rows: 0 where no triangle is, else 1 + the row of the last triangle that
      #   covers it
      attr_reader :owner

      # @param points_px [Numo::DFloat] P x 2, px from the sheet's top left corner
      # @param triangle_points [Numo::Int32] K x 3 indices into points_px
      # @return [TexelMap]
      def self.call(points_px, triangle_points, width_px:, height_px:, left_px: 0, top_px: 0)
        corners = Numo::DFloat.zeros(*triangle_points.shape, 2)
        unless triangle_points.empty?
          [left_px, top_px].each_with_index do |start, axis|
            corners[true, true, axis] = points_px[true, axis][triangle_points] - start
          end
        end
        new(corners, left_px, top_px, width_px, height_px)
      end

      def initialize(corners, left_px, top_px, width_px, height_px, owner = nil)
        @corners = corners.freeze
        @left_px = left_px
        @top_px = top_px
        @width_px = width_px
        @height_px = height_px
        @owner = (owner || owners).freeze
        @memo = {}
        freeze
      end
      private_class_method :new

      # @return [Numo::Int32] N texel numbers, y * width_px + x within the rectangle, rising, each once
      def texels = @memo[:texels] ||= Numo::Int32.cast(coverage.where).freeze

      # @return [Numo::Int32] N triangle rows
      def triangles = @memo[:triangles] ||= Geometry::InPlace.call(Geometry::Take.call(owner, texels), [:-, 1]).freeze

      # @return [Numo::Bit] one a texel
      def coverage = @memo[:coverage] ||= owner.gt(0).freeze

      # @return [Integer] in memory
      def bytesize = owner.byte_size + @corners.byte_size + @memo.values.sum(&:byte_size)

      # @param across [Numo::DFloat] K x 3 values at the corners of the triangles; down [Numo::DFloat] K x 3
      # @return [TexelMap, nil] the part of it that has all texels within 1 px of where both values are 0 to 1; nil if
      #   there are none
      def within_unit_square(across, down)
        low, high = ends_of_unit_square(plane_parts(across), plane_parts(down))
        corners = [0, 1].map { |axis| @corners[true, true, axis] }
        low = low.zip(corners).map { |own, px| Numo::DFloat.maximum(own - 1, px.min(axis: 1)) }
        high = high.zip(corners).map { |own, px| Numo::DFloat.minimum(own + 1, px.max(axis: 1)) }
        rows = (low[0].lt(high[0]) & low[1].lt(high[1])).where
        return if rows.empty?

        left, top = low.map { |px| [px[rows].min.floor, 0].max.to_i }
        right, bottom = high.zip([width_px, height_px]).map { |px, side| [px[rows].max.ceil, side].min.to_i }
        part(left, top, right - left, bottom - top) if left < right && top < bottom
      end

      # Values given at the corners of the triangles, at the centres of texels.
      #
      # @param columns [Array<Numo::DFloat>] K x 3 values each, any unit
      # @return [Array<Numo::DFloat>] for each of the columns, N values
      def interpolate(columns)
        planes = columns.map { |values| plane(values) }
        uneven = by_triangle(planes.reject { |across, *| across.is_a?(Float) })
        planes.map { |across, *rest| across.is_a?(Float) ? even(across, *rest) : uneven.shift }
      end

      # The same, and how fast each value changes there: by how much from one texel to the next in the direction in
      # which it changes most.
      #
      # @param columns [Array<Numo::DFloat>] K x 3 values each
      # @return [Array(Array<Numo::DFloat>, Array<Numo::DFloat, Float>)] for each of the columns N values, and N slopes
      #   per px, or one that holds everywhere
      def interpolate_with_slopes(columns)
        slopes =
          columns.map do |values|
            across, down, = plane(values)
            next Math.hypot(across, down) if across.is_a?(Float)

            Geometry::Take.call(Numo::NMath.sqrt((across**2) + (down**2)), triangles)
          end
        [interpolate(columns), slopes]
      end

      # @param columns [Array<Numo::DFloat>] K x 3 values each
      # @return [Array] for each of the columns N values, and for each its changes per px right and per px down, N each
      def interpolate_with_gradients(columns)
        changes = columns.map { |values| plane(values).first(2) }
        [
          interpolate(columns),
          changes.map do |pair|
            pair.map do |change|
              change.is_a?(Float) ? Numo::DFloat.new(texels.size).fill(change) : Geometry::Take.call(change, triangles)
            end
          end
        ]
      end

      # @return [Numo::Bit] N: 1 for texels with one beside them that is on no triangle
      def rim
        @memo[:rim] ||= begin
          grid = Numo::UInt8.zeros(height_px + 2, width_px + 2)
          grid[1..-2, 1..-2] = Numo::UInt8.cast(coverage).reshape(height_px, width_px)
          around = grid[0..-3, 1..-2] + grid[2..-1, 1..-2] + grid[1..-2, 0..-3] + grid[1..-2, 2..-1]
          around.flatten[texels].lt(4).freeze
        end
      end

      # For each texel outside all triangles but within reach: the nearest texel on one, by distance between centres.
      #
      # @param reach_px [Integer]
      # @return [Array(Numo::Int32, Numo::Int32)] texel numbers outside, rising, and the texel numbers nearest to them
      # @raise [InputError] as Bleed says
      def bleed(reach_px) = Bleed.call(owner, width_px, height_px, reach_px)

      private

      def owners
        return Numo::Int32.zeros(width_px * height_px) if @corners.empty? || (width_px * height_px).zero?

        Owners.call(@corners, width_px, height_px)
      end

      def part(left, top, width, height)
        return self if [width, height] == [width_px, height_px]

        lines = owner[(top * width_px)...((top + height) * width_px)].reshape(height, width_px)
        own = Geometry::Take.call(lines, true, left...(left + width)).flatten
        TexelMap.send(:new, @corners - Numo::DFloat[left, top], left_px + left, top_px + top, width, height, own)
      end

      # Where the plane of each triangle has the corners of 0 to 1 by 0 to 1: the least x and y of them, and the most.
      #
      # @return [Array(Array<Numo::DFloat>, Array<Numo::DFloat>)] px; -Infinity and Infinity where it has them nowhere
      def ends_of_unit_square(across, down)
        det = (across[0] * down[1]) - (across[1] * down[0])
        flat = det.eq(0).where
        det[flat] = 1.0
        places =
          [0, 1].product([0, 1])
            .map do |u, v|
              by_across = (across[2] * -1) + u
              by_down = (down[2] * -1) + v
              [
                ((by_across * down[1]) - (by_down * across[1])) / det,
                ((by_down * across[0]) - (by_across * down[0])) / det
              ]
            end
        [[:minimum, -Float::INFINITY], [:maximum, Float::INFINITY]].map do |name, without|
          places.transpose.map do |px|
            px.reduce { |a, b| Numo::DFloat.public_send(name, a, b) }.tap { |end_px| end_px[flat] = without }
          end
        end
      end

      # The plane through the values of each triangle, as one where it is the same for all.
      #
      # @return [Array(Float, Float, Float), Array<Numo::DFloat>] change per px right, per px down, and value at (0, 0)
      def plane(values)
        parts = plane_parts(values)
        same = parts.map { |part| alike(part) }
        same.all? ? same : parts
      end

      # @return [Array<Numo::DFloat>] K changes per px right, K per px down, and K values at (0, 0)
      def plane_parts(values)
        x0, x1, x2, y0, y1, y2 = [0, 1].flat_map { |axis| Array.new(3) { |k| @corners[true, k, axis] } }
        ax = x1 - x0
        ay = y1 - y0
        bx = x2 - x0
        by = y2 - y0
        av = values[true, 1] - values[true, 0]
        bv = values[true, 2] - values[true, 0]
        det = (ax * by) - (ay * bx)
        det[det.eq(0)] = Float::INFINITY
        across = ((av * by) - (bv * ay)) / det
        down = ((bv * ax) - (av * bx)) / det
        [across, down, values[true, 0] - (across * x0) - (down * y0)]
      end

      # Values of one plane at the centres of texels.
      def even(across, down, start)
        right = (Numo::DFloat.new(1, width_px).seq + 0.5) * across
        below = ((Numo::DFloat.new(height_px, 1).seq + 0.5) * down) + start
        all = (below + right).flatten
        texels.size == all.size ? all : Geometry::Take.call(all, texels)
      end

      # Values of planes of which each triangle has its own, at the centres of texels; some at a time and in place, so
      # that memory is used again instead of fetched fresh. What is known of a triangle is taken at one go: that is
      # hardly more than to take one value.
      def by_triangle(planes)
        return [] if planes.empty?

        known = Numo::DFloat.zeros(3 * planes.size, @corners.shape[0])
        planes.flatten(1).each_with_index { |values, k| known[k, true] = values }
        found = planes.map { Numo::DFloat.zeros(texels.size) }
        (0...texels.size).step(AT_ONCE) do |first|
          some = first...[first + AT_ONCE, texels.size].min
          own = Geometry::Take.call(known, true, Geometry::Take.call(triangles, some))
          x, y = centres(Geometry::Take.call(texels, some))
          found.each_with_index { |values, k| values[some] = on_planes(own, 3 * k, x, y) }
        end
        found
      end

      def centres(some)
        rows = some / width_px
        [some - (rows * width_px), rows].map { |px| Geometry::InPlace.call(Numo::DFloat.cast(px), [:+, 0.5]) }
      end

      # @param planes [Numo::DFloat] m x n; k [Integer] the first of its three rows
      # @return [Numo::DFloat] n
      def on_planes(planes, k, x, y)
        across, down, start = Array.new(3) { |row| planes[k + row, true] }
        Geometry::InPlace.call(across, [:*, x], [:+, Geometry::InPlace.call(down, [:*, y])], [:+, start])
      end

      # @return [Float, nil] what is the same for all triangles, but for rounding: on a flat panel
      def alike(part)
        least, most = part.minmax
        least if most - least <= ROUNDING * [least.abs, most.abs, 1].max
      end
    end
  end
end
