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
        @memo.getset([:texel_map, size, layout.object_id]) { texel_map_of(layout.uv_map.triangles.points) }
      end

      # @return [Raster::TexelMap] of one island's triangles alone, in the order of UvMap#island_triangles
      def island_map(island)
        @memo.getset([:island_map, *place_of(island)]) { texel_map_of(layout.uv_map.triangles.points[layout.uv_map.island_triangles[island], true]) }
      end

      # @return [Raster::TexelMap] of the triangles of one material
      def material_map(material)
        @memo.getset([:material_map, material, size, layout.object_id]) do
          triangles = layout.uv_map.triangles
          texel_map_of(triangles.points[layout.uv_map.mesh.face_materials[triangles.faces].eq(material).where, true])
        end
      end

      # @param layer [Layer]
      # @return [Patch] the layer baked on this canvas, at full opacity
      def baked(layer)
        key = [:baked, layer.kind, layer.picture, layer.place,
               *(layer.place ? place_of(layer.place.island) : [size, layer.material && [layer.material, layout.object_id]])]
        @memo.getset(key) { LAYER_KINDS.fetch(layer.kind).call(layer, self) }
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

      # What an island's texels depend on.
      def place_of(island) = [island, size, layout.placements[island, true].to_a]

      def texel_map_of(triangle_points)
        Raster::TexelMap.call(size.to_px(layout.points_uv), triangle_points, width_px: size.width_px, height_px: size.height_px)
      end
    end
  end
end
