# frozen_string_literal: true

module SheetTrace
  class Layout
    # Figures of a whole layout, by which two can be compared.
    #
    # islands [Integer]; stretch_mean [Float] weighted by area; stretch_worst [Float, nil] nil where it is endless
    # density_px_per_mm [Array(Float, Float)] least and most, of islands with area
    # used [Float] share of the sheet that triangles cover, overlaps counted twice
    # turned [Integer] islands that read mirrored
    Summary =
      Struct.new(:islands, :stretch_mean, :stretch_worst, :density_px_per_mm, :used, :turned, keyword_init: true) do
        # @param layout [Layout]
        # @param unit_mm [Float]
        # @return [Summary]
        def self.call(layout, unit_mm:)
          measures = MeasureIslands.call(layout, unit_mm: unit_mm)
          jacobians = layout.uv_map.jacobians(layout.points_px, unit_mm)
          areas = jacobians.area_mm2
          large, small = jacobians.singular_values
          good = ((small > large * 1e-9) & (areas > 0)).where
          densities = measures.map(&:density_px_per_mm).select(&:positive?)
          new(
            islands: layout.uv_map.island_count,
            turned: measures.count(&:mirrored),
            density_px_per_mm: densities.minmax.map { |value| value || 0.0 },
            stretch_mean: good.empty? ? 1.0 : (large[good] / small[good] * areas[good]).sum / areas[good].sum,
            stretch_worst: measures.all?(&:stretch_worst) ? measures.map(&:stretch_worst).max : nil,
            used: (jacobians.determinant.abs * areas).sum / (layout.sheet.width_px * layout.sheet.height_px)
          )
        end

        # Figures of which less is better, to the decimals that a painter can tell apart. How many islands there are
        # is neither better nor worse.
        def ranks
          {
            stretch_mean: stretch_mean.round(3),
            stretch_worst: stretch_worst ? stretch_worst.round(3) : Float::INFINITY,
            density_px_per_mm: density_spread.round(2),
            used: -used.round(3),
            turned: turned
          }
        end

        # @param other [Summary]
        # @return [Hash{Symbol => Integer}] figure => 1 where this one is better, -1 where the other one is, 0 where
        #   they are alike
        def compared(other) = ranks.merge(other.ranks) { |_figure, own, others| others <=> own }

        private

        # How many times as dense the densest island is as the least dense.
        def density_spread
          least, most = density_px_per_mm
          least.positive? ? most / least : Float::INFINITY
        end
      end
  end
end
