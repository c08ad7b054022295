# frozen_string_literal: true

module SheetTrace
  module Artwork
    # A figure of each triangle shown on the sheet in bands, each with a colour and a pattern of its own, so that
    # bands are
    # told apart without colour too: the further from good, the denser the hatching.
    class MeasureMap
      # upto [Float, nil] the band's upper limit; nil for the last; color [String]; period_px [Integer] of the
      # hatching, 0 for none
      Band = Struct.new(:upto, :color, :period_px, keyword_init: true)

      band = ->(upto, color, period) { Band.new(upto: upto, color: color, period_px: period).freeze }
      # Stretch, as a ratio of singular values.
      STRETCH = [
        band.call(1.02, "#eef3e6", 0),
        band.call(1.05, "#cfe0d3", 24),
        band.call(1.1, "#f3d98b", 16),
        band.call(1.3, "#e3a04a", 12),
        band.call(2.0, "#c65d34", 8),
        band.call(nil, "#7d2433", 5)
      ].freeze
      # Density, as a share of the median of the islands.
      DENSITY = [
        band.call(0.8, "#3d5f8c", 6),
        band.call(0.95, "#93b4d1", 14),
        band.call(1.05, "#eef3e6", 0),
        band.call(1.25, "#ecc389", 14),
        band.call(nil, "#b5602c", 6)
      ].freeze
      KINDS = { "stretch" => STRETCH, "density" => DENSITY }.freeze
      private_constant :Band

      # @param kind [String] one of KINDS
      # @param layout [Layout]
      # @param unit_mm [Float]
      # @return [Numo::DFloat] K figures, one a triangle
      # @raise [InputError] where: { kind: }
      def self.values(kind, layout, unit_mm:)
        jacobians = layout.uv_map.jacobians(layout.points_px, unit_mm)
        case kind
        when "stretch"
          stretch(jacobians)
        when "density"
          density(jacobians, layout)
        else
          raise InputError.new(
                  "there is no map of #{kind.inspect}; there are #{KINDS.keys.join(", ")}",
                  where: {
                    kind: kind
                  }
                )
        end
      end

      # One of the faces with the worst figures: face, island [Integer]; value [Float, nil] nil where it is endless
      Worst = Struct.new(:face, :island, :value, keyword_init: true)

      # @param kind [String] one of KINDS
      # @param most [Integer]
      # @return [Array<Worst>] the worst first, each face once
      # @raise [InputError] where: { kind: }
      def self.worst_faces(kind, layout, unit_mm:, most: 100)
        values = values(kind, layout, unit_mm: unit_mm)
        badness = kind == "density" ? Numo::NMath.log(Numo::DFloat.maximum(values, 1e-9)).abs : values
        triangles = layout.uv_map.triangles
        seen = {}
        badness.sort_index.to_a.reverse_each do |row|
          face = triangles.faces[row]
          seen[face] ||= Worst.new(
            face: face,
            island: triangles.islands[row],
            value: values[row].finite? ? values[row] : nil
          )
          break if seen.size == most
        end
        seen.values
      end

      # @param size [Layout::Sheet] to draw at
      # @return [Vips::Image] 8-bit sRGB with alpha
      # @raise [InputError] where: { kind: }
      def self.call(kind, layout, unit_mm:, size:) =
        new(values(kind, layout, unit_mm: unit_mm), KINDS.fetch(kind), layout, size).send(:image)

      def self.stretch(jacobians)
        large, small = jacobians.singular_values
        flat = small <= large * 1e-9
        small[flat] = 1.0
        (large / small)
          .tap { |ratio| ratio[flat] = Float::INFINITY }
          .tap { |ratio| ratio[jacobians.area_mm2.eq(0)] = 1.0 }
      end

      def self.density(jacobians, layout)
        own = Numo::NMath.sqrt(jacobians.determinant.abs)
        measures = Layout::MeasureIslands.call(layout, unit_mm: 1.0).map(&:density_px_per_mm).select(&:positive?).sort
        median = measures.empty? ? 1.0 : measures[measures.size / 2]
        # mm2 per unit2
        unit = jacobians.area_mm2.sum / [layout.uv_map.jacobians(layout.points_px).area_mm2.sum, Float::MIN].max
        own * Math.sqrt([unit, Float::MIN].max) / median
      end
      private_class_method :stretch, :density, :new

      def initialize(values, bands, layout, size)
        @bands = bands
        @size = size
        limits = bands.filter_map(&:upto)
        @band = limits.reduce(Numo::Int32.zeros(values.size)) { |sum, limit| sum + Numo::Int32.cast(values > limit) }
        @texel_map =
          Raster::TexelMap.call(
            size.to_px(layout.points_uv),
            layout.uv_map.triangles.points,
            width_px: size.width_px,
            height_px: size.height_px
          )
      end

      private

      def image
        pixels = Numo::UInt32.zeros(@size.width_px * @size.height_px)
        texels = @texel_map.texels
        pixels[texels] = colors(texels) unless texels.empty?
        Vips::Image.new_from_memory_copy(pixels.to_binary, @size.width_px, @size.height_px, 4, :uchar).copy(
          interpretation: :srgb
        )
      end

      def colors(texels)
        band = @band[@texel_map.triangles]
        across = (texels % @size.width_px) + (texels / @size.width_px)
        period = Numo::Int64.cast(@bands.map { |step| [step.period_px, 1].max })[band]
        hatched = (across % period < 2) & Numo::Int64.cast(@bands.map(&:period_px))[band].gt(0)
        plain, dark = [1.0, 0.72].map { |light| Numo::UInt32.cast(@bands.map { |step| packed(step.color, light) }) }
        plain[band].copy.tap { |out| out[hatched] = dark[band][hatched] if hatched.any? }
      end

      def packed(color, light)
        red, green, blue = Drawing::Color.parse(color).to_a.map { |share| (share * light * 255).round }
        [red, green, blue, 255].pack("C4").unpack1("L")
      end
    end
  end
end
