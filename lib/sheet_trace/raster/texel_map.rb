# frozen_string_literal: true

module SheetTrace
  module Raster
    # For each texel of a sheet whose centre lies on a triangle: which one. The bridge between sheet and
    # surface. Immutable.
    class TexelMap
      # @return [Integer]
      attr_reader :width_px, :height_px
      # @return [Numo::Int64] N texel numbers, y * width_px + x, rising, each once
      attr_reader :texels
      # @return [Numo::Int64] N triangle rows: the last triangle that covers the texel
      attr_reader :triangles

      # @param points_px [Numo::DFloat] P x 2, px from the top left corner
      # @param triangle_points [Numo::Int32] K x 3 indices into points_px
      # @return [TexelMap]
      def self.call(points_px, triangle_points, width_px:, height_px:)
        corners = Numo::DFloat.zeros(*triangle_points.shape, 2)
        unless triangle_points.empty?
          2.times { |axis| corners[true, true, axis] = points_px[true, axis][triangle_points] }
        end
        texels, triangles = Rasterise.call(corners, width_px, height_px)
        owner = Numo::Int32.zeros(width_px * height_px)
        owner[texels] = triangles + 1
        covered = owner.gt(0).where
        new(corners, covered, Numo::Int64.cast(owner[covered]) - 1, width_px, height_px)
      end

      def initialize(corners, texels, triangles, width_px, height_px)
        @corners = corners.freeze
        @texels = texels.freeze
        @triangles = triangles.freeze
        @width_px = width_px
        @height_px = height_px
        @memo = {}
        freeze
      end
      private_class_method :new

      # Values given at the corners of the triangles, at the centres of texels.
      #
      # @param columns [Array<Numo::DFloat>] K x 3 values each, any unit
      # @return [Array<Numo::DFloat>] for each of the columns, N values
      def interpolate(columns)
        x = Numo::DFloat.cast(texels % width_px) + 0.5
        y = Numo::DFloat.cast(texels / width_px) + 0.5
        columns.map do |values|
          across, down, start = plane(values)
          (across[triangles] * x) + (down[triangles] * y) + start[triangles]
        end
      end

      # The same, and how fast each value changes there: by how much from one texel to the next in the direction in
      # which it changes most.
      #
      # @param columns [Array<Numo::DFloat>] K x 3 values each
      # @return [Array(Array<Numo::DFloat>, Array<Numo::DFloat>)] for each of the columns N values, and N slopes per px
      def interpolate_with_slopes(columns)
        slopes =
          columns.map do |values|
            across, down, = plane(values)
            Numo::NMath.sqrt((across**2) + (down**2))[triangles]
          end
        [interpolate(columns), slopes]
      end

      # @return [Numo::Bit] N: 1 for texels with one beside them that is on no triangle
      def rim
        @memo[:rim] ||= Numo::Bit
          .zeros(width_px * height_px)
          .tap { |bits| Bleed.rim_of(self).then { |rim| bits[rim] = 1 unless rim.empty? } }[
          texels
        ].freeze
      end

      # For each texel outside all triangles but within reach: the nearest texel on one, by distance between centres.
      #
      # @param reach_px [Integer]
      # @return [Array(Numo::Int64, Numo::Int64)] texel numbers outside, and the texel numbers nearest to them
      def bleed(reach_px) = @memo[reach_px] ||= Bleed.call(self, reach_px)

      # @return [Numo::Bit] one a texel of the sheet
      def coverage
        @memo[:coverage] ||= Numo::Bit.zeros(width_px * height_px).tap { |bits| bits[texels] = 1 }.freeze
      end

      private

      # The plane through the values of each triangle: change per px right, per px down, and value at (0, 0).
      def plane(values)
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
    end
  end
end
