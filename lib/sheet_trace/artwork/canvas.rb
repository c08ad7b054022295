# frozen_string_literal: true

require "lru_redux"

module SheetTrace
  module Artwork
    # What layers are baked on: a layout at a size, its texel map, and the pictures.
    class Canvas
      MEMO_ENTRIES = 48
      private_constant :MEMO_ENTRIES

      # @return [Layout]
      attr_reader :layout
      # @return [Layout::Sheet] the size to bake at, which may differ from the layout's own
      attr_reader :size

      # @return [LruRedux::ThreadSafeCache] for the memo of several canvases
      def self.memo = LruRedux::ThreadSafeCache.new(MEMO_ENTRIES)

      # @param pictures [#call] takes a digest, gives the Vips::Image of Picture.read
      # @param flat_maps [#call] takes an island, gives its Flatten::FlatMap
      # @param memo [LruRedux::ThreadSafeCache] keeps bakes for other canvases of the same surface and unit
      def initialize(layout:, size:, pictures:, flat_maps:, memo: self.class.memo)
        @layout = layout
        @size = size
        @pictures = pictures
        @flat_maps = flat_maps
        @memo = memo
        freeze
      end

      def picture(digest) = @pictures.call(digest)
      def flat_map(island) = @flat_maps.call(island)

      # @return [Raster::TexelMap] of all islands; where they overlap, the last has the texel
      def texel_map
        @memo.getset([:texel_map, size, layout]) { texel_map_of(layout.uv_map.triangles.points) }
      end

      # @return [Raster::TexelMap] of one island's triangles alone, in the order of UvMap#island_triangles
      def island_map(island)
        @memo.getset([:island_map, *place_of(island)]) do
          texel_map_of(layout.uv_map.triangles.points[layout.uv_map.island_triangles[island], true])
        end
      end

      # @param layer [Layer]
      # @return [Patch, nil] the layer baked on this canvas, at full opacity; nil where nothing of it is on the sheet
      def baked(layer)
        mask = layer.look.mask
        key = [
          :baked,
          size,
          layer.content,
          layer.place,
          mask,
          layer.place.dependencies(layout),
          mask.whole? ? nil : layout
        ]
        @memo.getset(key) do
          patch = layer.place.frame(self, layer.content)&.then { |frame| layer.content.paint(frame, self) }
          patch && !mask.whole? ? patch.masked(masked(mask), size.width_px) : patch
        end
      end

      # @return [Vips::Image] nothing but transparency
      def blank = Vips::Image.black(size.width_px, size.height_px, bands: 4).copy(interpretation: :srgb)

      # @param px [Integer] at the layout's own size
      # @return [Integer] as many at the size baked at
      def scaled_px(px)
        ratio = Math.sqrt(size.width_px.fdiv(layout.sheet.width_px) * size.height_px.fdiv(layout.sheet.height_px))
        (px * ratio).round.clamp(px.zero? ? 0 : 1, Raster::Bleed::LARGEST_PX)
      end

      private

      # @return [Numo::Bit] one for each texel of the sheet: 1 where a mask lets through
      def masked(mask)
        triangles = mask.triangles(layout.uv_map).where
        return Numo::Bit.zeros(size.width_px * size.height_px) if triangles.empty?

        texel_map_of(layout.uv_map.triangles.points[triangles, true]).coverage
      end

      # What an island's texels depend on.
      def place_of(island) = [island, size, layout.placements[island, true].to_a]

      def texel_map_of(triangle_points)
        Raster::TexelMap.call(
          size.to_px(layout.points_uv),
          triangle_points,
          width_px: size.width_px,
          height_px: size.height_px
        )
      end
    end
  end
end
