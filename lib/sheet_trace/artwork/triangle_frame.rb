# frozen_string_literal: true

module SheetTrace
  module Artwork
    # The frame of a place that is known by where corners of triangles on the sheet lie in the content.
    module TriangleFrame
      # What rounding may put outside.
      SLACK = 1e-9
      AT_ONCE = 32_768 # texels
      private_constant :SLACK, :AT_ONCE

      # @param texel_map [Raster::TexelMap] of the t triangles
      # @param across [Numo::DFloat] t x 3 shares of the content's width at their corners; down [Numo::DFloat] t x 3
      # @param covered_px [Array(Float, Float)] as Frame has it
      # @param prepared [#call, nil] as Frame has it
      # @param endless [Boolean] the content's right side joins its left
      # @param whole [Boolean] the content covers all of the triangles
      # @param distortion [Distortion, nil] what becomes of the content in the rectangle whose shares are given
      # @return [Frame, nil] of the texels that the content covers; nil where it covers none
      def self.call(texel_map, across, down, covered_px:, prepared: nil, endless: false, whole: false, distortion: nil)
        return covering(texel_map, across, down, covered_px, prepared) if whole

        texel_map = texel_map.within_unit_square(across, down) unless endless || distortion
        return if texel_map.nil? || texel_map.texels.empty?

        shares, slopes =
          if distortion
            places, gradients = texel_map.interpolate_with_gradients([across, down])
            distortion.with_slopes(*places, gradients)
          else
            texel_map.interpolate_with_slopes([across, down])
          end
        coverage = endless ? coverage(texel_map, shares[1..], slopes[1..]) : coverage(texel_map, shares, slopes)
        rows = coverage.gt(0).where
        return if rows.empty?

        across, down, coverage, texels =
          [*shares, coverage, texel_map.texels].map { |values| Geometry::Take.call(values, rows) }
        Frame.listed(
          **box(texel_map, texels),
          across: across,
          down: down,
          coverage: coverage,
          covered_px: covered_px,
          prepared: prepared
        )
      end

      # The frame of a content that covers all of the triangles: all of the map.
      def self.covering(texel_map, across, down, covered_px, prepared)
        Frame.new(
          left_px: texel_map.left_px,
          top_px: texel_map.top_px,
          width_px: texel_map.width_px,
          height_px: texel_map.height_px,
          texels: texel_map.texels,
          places: texel_map.values([across, down]),
          coverage: 1.0,
          covered_px: covered_px,
          prepared: prepared
        )
      end

      def self.box(texel_map, texels)
        lines = texels / texel_map.width_px
        left, right = (texels - (lines * texel_map.width_px)).minmax
        top, bottom = [lines[0], lines[-1]] # texels rise
        width = right - left + 1
        own = texels - (left + (top * width))
        Geometry::InPlace.call(own, [:+, lines * (width - texel_map.width_px)]) if width != texel_map.width_px
        {
          left_px: texel_map.left_px + left,
          top_px: texel_map.top_px + top,
          width_px: width,
          height_px: bottom - top + 1,
          texels: own
        }
      end

      # How much of a texel's surface lies in the rectangle, by the distance of the texel's middle from its sides. On
      # the rim of the triangles a texel that has its middle inside is covered: what lies beyond the rim is no surface,
      # and nothing must shine through there.
      def self.coverage(texel_map, shares, slopes)
        covered = Numo::DFloat.zeros(shares[0].size)
        # Some at a time, so that memory is used again instead of fetched fresh.
        (0...covered.size).step(AT_ONCE) do |first|
          some = first...[first + AT_ONCE, covered.size].min
          ways = shares.zip(slopes).map { |share, slope| between(Geometry::Take.call(share, some), slope, some) }
          covered[some] = ways.reduce { |all, way| Geometry::InPlace.call(all, [:*, way]) }
        end
        rim = texel_map.rim.where
        within = shares.map { |share| share[rim].then { |own| (own >= -SLACK) & (own <= 1 + SLACK) } }.reduce(:&)
        covered[rim[within.where]] = 1.0 if within.any?
        covered
      end

      # How much of texels lies between two sides: 0 half a texel outside of either, 1 half a texel inside both.
      def self.between(shares, slope, some)
        per_px = slope.is_a?(Float) ? [slope, Float::MIN].max : Numo::DFloat.maximum(slope[some], Float::MIN)
        from_end = Geometry::InPlace.call(1.0 - shares, [:/, per_px], [:+, 0.5], [:clip, 0.0, 1.0])
        Geometry::InPlace.call(shares, [:/, per_px], [:+, 0.5], [:clip, 0.0, 1.0], [:+, from_end], [:-, 1.0])
      end
      private_class_method :covering, :box, :coverage, :between
    end
  end
end
