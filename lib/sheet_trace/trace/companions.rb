# frozen_string_literal: true

module SheetTrace
  module Trace
    # Pictures of a layout that paint programs take as selections and masks: which island a texel is of, what is
    # covered, where on the model it lies, which way it looks, how dense and how stretched it is.
    class Companions
      # kind => what its levels mean
      KINDS = {
        "ids" => "a grey of its own for each island, from 1 on; 0 is none",
        "coverage" => "255 where an island lies",
        "bleed" => "255 in the margin round islands",
        "position" => "x, y and z as red, green and blue, from the least to the greatest of the model",
        "normal" => "outwards in the axes of the model, (n + 1) / 2",
        "facing" => "which way islands look: Front 36, Back 72, Left 108, Right 144, Top 180, Bottom 216, Around 252",
        "density" => "px per mm beside the largest, 65535",
        "stretch" => "0 for true shape, 65535 for a ratio of 2 and more"
      }.freeze
      FACING_STEP = 36
      FACINGS = %w[Front Back Left Right Top Bottom Around].freeze
      DEEP = 65_535
      MOST_STRETCH = 2.0
      private_constant :FACING_STEP, :FACINGS, :DEEP, :MOST_STRETCH

      # @param kind [String] of KINDS
      # @param layout [Layout]; size [Layout::Sheet]; unit_mm [Float]
      # @param bleed_px [Integer] how wide the margin is, at this size
      # @return [Vips::Image] 8 or 16 bit
      # @raise [InputError] where: { kind: }
      def self.call(kind, layout, size:, unit_mm: 1.0, bleed_px: 4)
        unless KINDS.key?(kind)
          raise InputError.new(
                  "there is no picture of #{kind.inspect}; give #{KINDS.keys.join(", ")}",
                  where: {
                    kind: kind
                  }
                )
        end

        new(layout, size, unit_mm, bleed_px).send(kind)
      end

      def initialize(layout, size, unit_mm, bleed_px)
        @layout = layout
        @map = layout.uv_map
        @size = size
        @unit_mm = unit_mm
        @bleed_px = bleed_px
        @texels =
          Raster::TexelMap.call(
            size.to_px(layout.points_uv),
            @map.triangles.points,
            width_px: size.width_px,
            height_px: size.height_px
          )
      end
      private_class_method :new

      private

      def blank(bands, type) = type.zeros(@size.width_px * @size.height_px, bands)

      def image(values, interpretation)
        format = values.is_a?(Numo::UInt16) ? :ushort : :uchar
        Vips::Image.new_from_memory_copy(
          values.to_binary,
          @size.width_px,
          @size.height_px,
          values.shape[1],
          format
        ).copy(interpretation: interpretation)
      end

      # @param values [Numo::NArray] by texel that is covered
      def grey(values, type)
        whole = blank(1, type)
        whole[@texels.texels, 0] = values unless @texels.texels.empty?
        image(whole, type == Numo::UInt16 ? :grey16 : :"b-w")
      end

      def ids
        islands = @map.triangles.islands[@texels.triangles] + 1
        if @map.island_count < 256
          grey(Numo::UInt8.cast(islands), Numo::UInt8)
        else
          grey(Numo::UInt16.cast(islands), Numo::UInt16)
        end
      end

      def coverage = grey(255, Numo::UInt8)

      def bleed
        targets, = @texels.bleed(@bleed_px)
        whole = blank(1, Numo::UInt8)
        whole[targets, 0] = 255 unless targets.empty?
        image(whole, :"b-w")
      end

      def position
        low, high = @map.mesh.bounds
        places = @map.triangle_positions(1.0, true)
        rgb16(3) do |axis|
          corners = Geometry::Vectors.columns(places.map { |corner| corner[axis] })
          (@texels.interpolate([corners])[0] - low[axis]) / [high[axis] - low[axis], Float::MIN].max
        end
      end

      def normal
        normals = Geometry::Vectors.unit(@map.mesh.face_area_vectors)[@map.triangles.faces[@texels.triangles], true]
        rgb16(3) { |axis| (normals[true, axis] + 1) / 2 }
      end

      def rgb16(bands)
        whole = blank(bands, Numo::UInt16)
        unless @texels.texels.empty?
          bands.times { |band| whole[@texels.texels, band] = (yield(band).clip(0, 1) * DEEP).round }
        end
        image(whole, :rgb16)
      end

      def facing
        levels = Mesh::Facing.names(@map.mean_normals).map { |name| (FACINGS.index(name) + 1) * FACING_STEP }
        grey(Numo::UInt8.cast(levels)[@map.triangles.islands[@texels.triangles]], Numo::UInt8)
      end

      def density
        own = Numo::NMath.sqrt(jacobians.determinant.abs)
        deep(own / [own.max, Float::MIN].max)
      end

      def stretch
        large, small = jacobians.singular_values
        ratio = large / Numo::DFloat.maximum(small, (large * 1e-9) + Float::MIN)
        deep(((ratio - 1) / (MOST_STRETCH - 1)).clip(0, 1))
      end

      def deep(shares) = grey(Numo::UInt16.cast((shares[@texels.triangles] * DEEP).round), Numo::UInt16)
      def jacobians = @jacobians ||= @map.jacobians(@size.to_px(@layout.points_uv), @unit_mm)
    end
  end
end
