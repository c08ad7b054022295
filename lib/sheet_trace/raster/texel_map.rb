# frozen_string_literal: true

module SheetTrace
  module Raster
    # For each texel of a sheet, or of a rectangle of it, whose centre lies on a triangle: which one. The bridge between
    # sheet and surface. Immutable. What is asked of it is worked out then: of a part, for the part alone.
    class TexelMap
      # @return [Integer] where the rectangle lies on the sheet, px
      attr_reader :left_px, :top_px
      # @return [Integer]
      attr_reader :width_px, :height_px
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

      def initialize(corners, left_px, top_px, width_px, height_px, known = {})
        @corners = corners.freeze
        @left_px = left_px
        @top_px = top_px
        @width_px = width_px
        @height_px = height_px
        @memo = known
        freeze
      end
      private_class_method :new

      # @return [Numo::Int32] one a texel, in rows: 0 where no triangle is, else 1 + the row of the last triangle that
      #   covers it
      def owner = @memo[:owner] ||= owners.freeze

      # @return [Numo::Int32] N texel numbers, y * width_px + x within the rectangle, rising, each once
      def texels = @memo[:texels] ||= Numo::Int32.cast(coverage.where).freeze

      # @return [Numo::Int32] N triangle rows
      def triangles = @memo[:triangles] ||= Geometry::InPlace.call(Geometry::Take.call(owner, texels), [:-, 1]).freeze

      # @return [Numo::Bit] one a texel
      def coverage = @memo[:coverage] ||= owner.gt(0).freeze

      # @return [Integer] K
      def triangle_count = @corners.shape[0]

      # @return [Integer] in memory, once all is worked out, if triangles cover all of it
      def bytesize = (3 * Numo::Int32::ELEMENT_BYTE_SIZE * width_px * height_px) + @corners.byte_size

      # @param across [Numo::DFloat] K x 3 values at the corners of the triangles; down [Numo::DFloat] K x 3
      # @return [TexelMap, nil] the part of it that has all texels within 1 px of where both values are 0 to 1; nil if
      #   there are none
      def within_unit_square(across, down)
        low, high = ends_of_unit_square(Planes.call(@corners, across), Planes.call(@corners, down))
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
      def interpolate(columns) = values(columns).all

      # @param columns [Array<Numo::DFloat>] K x 3 values each
      # @return [TexelValues] the same, for texels that are asked for
      def values(columns) = TexelValues.new(self, columns.map { |column| Planes.joined(@corners, column) })

      # The same, and how fast each value changes there: by how much from one texel to the next in the direction in
      # which it changes most.
      #
      # @param columns [Array<Numo::DFloat>] K x 3 values each
      # @return [Array(Array<Numo::DFloat>, Array<Numo::DFloat, Float>)] for each of the columns N values, and N slopes
      #   per px, or one that holds everywhere
      def interpolate_with_slopes(columns)
        slopes =
          columns.map do |values|
            across, down, = Planes.joined(@corners, values)
            next Math.hypot(across, down) if across.is_a?(Float)

            Geometry::Take.call(Numo::NMath.sqrt((across**2) + (down**2)), triangles)
          end
        [interpolate(columns), slopes]
      end

      # @param columns [Array<Numo::DFloat>] K x 3 values each
      # @return [Array] for each of the columns N values, and for each its changes per px right and per px down, N each
      def interpolate_with_gradients(columns)
        changes = columns.map { |values| Planes.joined(@corners, values).first(2) }
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

        known = {}
        if @memo.key?(:owner)
          lines = owner[(top * width_px)...((top + height) * width_px)].reshape(height, width_px)
          known[:owner] = Geometry::Take.call(lines, true, left...(left + width)).flatten.freeze
        end
        TexelMap.send(:new, @corners - Numo::DFloat[left, top], left_px + left, top_px + top, width, height, known)
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
    end
  end
end
