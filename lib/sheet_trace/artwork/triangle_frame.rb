# frozen_string_literal: true

module SheetTrace
  module Artwork
    # The frame of a place that is known by where corners of triangles on the sheet lie in the content.
    module TriangleFrame
      # What rounding may put outside.
      SLACK = 1e-9
      AT_ONCE = 131_072 # texels
      private_constant :SLACK, :AT_ONCE

      # @param texel_map [Raster::TexelMap] of the t triangles, with a texel at the least
      # @param across [Numo::DFloat] t x 3 shares of the content's width at their corners; down [Numo::DFloat] t x 3
      # @param covered_px [Array(Float, Float)] as Frame has it
      # @param prepared [#call, nil] as Frame has it
      # @param endless [Boolean] the content's right side joins its left
      # @param whole [Boolean] the content covers all of the triangles
      # @param distortion [Distortion, nil] what becomes of the content in the rectangle whose shares are given
      # @return [Frame, nil] of the texels that the content covers; nil where it covers none
      def self.call(texel_map, across, down, covered_px:, prepared: nil, endless: false, whole: false, distortion: nil)
        return covering(texel_map, across, down, covered_px, prepared) if whole

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

        Frame.new(
          **box(texel_map, texel_map.texels[rows]),
          across: shares[0][rows],
          down: shares[1][rows],
          coverage: coverage[rows],
          covered_px: covered_px,
          prepared: prepared
        )
      end

      # The frame of a content that covers all of the triangles.
      def self.covering(texel_map, across, down, covered_px, prepared)
        shares = texel_map.interpolate([across, down])
        Frame.new(
          **box(texel_map, texel_map.texels),
          across: shares[0],
          down: shares[1],
          coverage: 1.0,
          covered_px: covered_px,
          prepared: prepared
        )
      end

      def self.box(texel_map, texels)
        lines = Numo::Int32.cast(texels) / texel_map.width_px
        left, right = (texels - (lines * texel_map.width_px)).minmax
        top, bottom = [lines[0], lines[-1]] # texels rise
        width = right - left + 1
        {
          left_px: texel_map.left_px + left,
          top_px: texel_map.top_px + top,
          width_px: width,
          height_px: bottom - top + 1,
          texels: texels + (lines * (width - texel_map.width_px)) - (left + (top * width))
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
          covered[some] = shares.zip(slopes).map { |share, slope| between(share[some], slope, some) }.reduce(:*)
        end
        rim = texel_map.rim.where
        within = shares.map { |share| share[rim].then { |own| (own >= -SLACK) & (own <= 1 + SLACK) } }.reduce(:&)
        covered[rim[within.where]] = 1.0 if within.any?
        covered
      end

      # How much of texels lies between two sides.
      def self.between(share, slope, some)
        own = slope.is_a?(Float) ? slope : slope[some]
        inside(share, own) + inside(1.0 - share, own) - 1.0
      end

      # @return [Numo::DFloat] 0 half a texel outside a side, 1 half a texel inside
      def self.inside(share, slope)
        per_px = slope.is_a?(Float) ? [slope, Float::MIN].max : Numo::DFloat.maximum(slope, Float::MIN)
        ((share / per_px) + 0.5).clip(0.0, 1.0)
      end
      private_class_method :covering, :box, :coverage, :between, :inside
    end
  end
end
