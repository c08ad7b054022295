# frozen_string_literal: true

module SheetTrace
  module Artwork
    # What layers are baked on: a layout at a size, its texels, and the pictures.
    class Canvas
      MEMO_BYTES = 128 * 1_048_576
      MOST_KEPT_PX = 2_000_000 # of a picture
      # Texels of a sheet whose map is kept at hand: beyond, its memory is worth more than the time.
      MOST_AT_HAND = 1 << 24
      # A picture in memory.
      Decoded = Struct.new(:image) { def bytesize = image.width * image.height * image.bands }
      private_constant :MEMO_BYTES, :MOST_KEPT_PX, :MOST_AT_HAND, :Decoded

      # @return [Layout]
      attr_reader :layout
      # @return [Layout::Sheet] the size to bake at, which may differ from the layout's own
      attr_reader :size
      # @return [Box] the part of the sheet that is wanted: no more of a layer is baked
      attr_reader :wanted
      # @return [Canvas] of all of the sheet
      attr_reader :all
      # @return [Float] length of a model unit
      attr_reader :unit_mm
      # @return [Boolean] whether layers are blended in linear light
      attr_reader :linear

      # @return [BoundedMemo] for several canvases
      def self.memo = BoundedMemo.new(limit: MEMO_BYTES)

      # @param pictures [#call] takes a digest and a scale, gives the Vips::Image of Picture.read
      # @param flat_maps [#call] takes an island, gives its Flatten::FlatMap
      # @param round_spots [#call] takes a place on the surface and a reach in mm, gives its Flatten::RoundSpot
      # @param strips [#call] takes a place at a level, gives its Flatten::Strip
      # @param painted_layouts [#call] takes the name of a layout that a skin was painted on, gives the Layout
      # @param unit_mm [Float] length of a model unit
      # @param linear [Boolean] whether layers are blended in linear light
      # @param memo [BoundedMemo] keeps bakes for other canvases of the same surface and unit
      def initialize(
        layout:,
        size:,
        pictures:,
        flat_maps:,
        round_spots:,
        strips:,
        painted_layouts:,
        unit_mm:,
        linear: false,
        memo: Canvas.memo
      )
        @layout = layout
        @size = size
        @pictures = pictures
        @flat_maps = flat_maps
        @round_spots = round_spots
        @strips = strips
        @painted_layouts = painted_layouts
        @unit_mm = unit_mm
        @linear = linear
        @memo = memo
        @at_hand = {} # for as long as the canvas is
        @wanted = Box.whole(size)
        @all = self
        freeze
      end

      # @param box [Box] of the sheet
      # @return [Canvas] on which no more than that is baked. A layer's edge is known only within, by a texel.
      def within(box) = dup.tap { |own| own.send(:want, box) }.freeze

      # Small ones are kept as px, as they are moved about.
      #
      # @return [Vips::Image] 8-bit sRGB with alpha
      def picture(digest, scale: 1.0)
        known = @memo[[:picture, digest, scale]]
        return known.image if known

        image = @pictures.call(digest, scale)
        return image if image.width * image.height > MOST_KEPT_PX

        image = image.copy_memory
        @memo.keep([:picture, digest, scale], Decoded.new(image))
        image
      end

      # @param pixels [Numeric] of the image, about; seen_as [Array] what tells it and the sampler from others
      # @yieldreturn [Sampler] of the image
      # @return [Sampler] small ones are kept
      def sampler(pixels, seen_as, &) = pixels > MOST_KEPT_PX ? yield : @memo.fetch([:sampler, *seen_as], &)

      def flat_map(island) = @flat_maps.call(island)
      def strip(place) = @strips.call(place)
      def painted_layout(name) = @painted_layouts.call(name)
      def round_spot(place, reach_mm) = @round_spots.call(place, reach_mm)

      # @param box [Box] of the sheet
      # @return [Raster::TexelMap] of all islands in it; where they overlap, the last has the texel
      def texel_map(box)
        return whole_map if box == wanted

        points = points_px(layout)
        texels_of(points, near(points, layout.uv_map.triangles.points, box), box)
      end

      # @return [Raster::TexelMap] of all that is wanted; several layers, the bleed and what is delivered ask for it
      def whole_map
        @at_hand.fetch(:whole_map) do
          map = texels_of(points_px(layout), layout.uv_map.triangles.points, wanted)
          wanted.area > MOST_AT_HAND ? map : @at_hand[:whole_map] = map
        end
      end

      # @return [Raster::TexelMap] of the part of the sheet that an island lies on, of its triangles alone, in the order
      #   of UvMap#island_triangles
      def island_map(island)
        @memo.fetch([:island_map, size, wanted, island, layout.placements[island, true].to_a]) do
          triangles = layout.uv_map.triangles.points[layout.uv_map.island_triangles[island], true]
          texels_of(points_px(layout), triangles, island_box(island, layout))
        end
      end

      # @param corners_px [Numo::DFloat] t x 3 x 2
      # @return [Raster::TexelMap] of the part of the sheet that these triangles lie on
      def texel_map_of(corners_px)
        points = corners_px.reshape(corners_px.shape[0] * 3, 2)
        texels_of(points, Numo::Int32.new(corners_px.shape[0], 3).seq, box_of(points))
      end

      # @param points [Numo::DFloat] n x 2, px
      # @return [Box] of the texels that what has these corners can lie on, as far as they are wanted
      def box_of(points)
        low = points.min(axis: 0).floor.to_a.map(&:to_i)
        high = points.max(axis: 0).ceil.to_a.map(&:to_i)
        Box.new(*low, *low.zip(high).map { |from, to| to - from }).within(wanted)
      end

      # @param island [Integer]; layout [Layout] of the same surface
      # @return [Box] of the texels that the island can lie on, as far as they are wanted
      def island_box(island, layout)
        box_of(points_px(layout)[layout.uv_map.island_points[island], true])
      end

      # @param layer [Layer]
      # @return [Patch, nil] the layer baked on this canvas, at full opacity; nil where nothing of it is wanted
      def baked(layer)
        @memo.fetch(key(layer)) { masked(layer, framed(layer)&.then { |frame| layer.content.paint(frame, self) }) }
      end

      # @param layer [Layer] whose content is made of what is below it
      # @param below [Array] that, as it is told from other such
      # @yieldreturn [Vips::Image] the sheet below it, asked for where it is needed
      # @return [Patch, nil] as .baked
      def baked_over(layer, below)
        key = [*key(layer), below]
        @at_hand.fetch(key) do # where the sheet is composed in parts, each asks for it
          @at_hand[key] = @memo.fetch(key) { masked(layer, layer.content.paint_over(yield, self)) }
        end
      end

      # @param name [Object]
      # @return [Object, nil] what was composed by that name last at this size, on this surface
      def composed(name) = @memo[[:composed, size, linear, name]]
      def keep_composed(name, value) = @memo.keep([:composed, size, linear, name], value)

      # @param px [Integer] at the layout's own size
      # @return [Integer] as many at the size baked at
      def scaled_px(px)
        ratio = Math.sqrt(size.width_px.fdiv(layout.sheet.width_px) * size.height_px.fdiv(layout.sheet.height_px))
        (px * ratio).round.clamp(px.zero? ? 0 : 1, Raster::Bleed::LARGEST_PX)
      end

      private

      def want(box)
        @wanted = wanted.within(box)
        @at_hand = {}
      end

      # What the baked layer depends on.
      def key(layer)
        mask = layer.look.mask
        [
          :baked,
          size,
          wanted,
          layer.content,
          layer.place,
          mask,
          layer.place.dependencies(self, layer.content),
          layer.content.dependencies(self),
          mask.whole? ? nil : layout
        ]
      end

      # No more of a layer is made than is wanted, and its mask lets through.
      #
      # @return [Frame, nil]
      def framed(layer)
        frame = layer.place.frame(self, layer.content) or return
        mask = layer.look.mask
        box = mask.whole? ? wanted : masked_box(mask) or return
        frame.limited(box).then { |own| own unless own.part.empty? }
      end

      # @return [Box, nil] of the texels that a mask can let through
      def masked_box(mask)
        points = layout.uv_map.triangles.points[mask.triangles(layout.uv_map).where, true]
        box_of(points_px(layout)[points.flatten, true]) unless points.empty?
      end

      # @return [Patch, nil] what a layer's mask lets through
      def masked(layer, patch)
        mask = layer.look.mask
        return patch if patch.nil? || mask.whole?

        triangles = layout.uv_map.triangles.points[mask.triangles(layout.uv_map).where, true]
        patch.masked(texels_of(points_px(layout), triangles, patch.box).coverage)
      end

      # The triangles that can have texels in a box.
      def near(points, triangles, box)
        beside =
          [[box.left_px, box.right_px], [box.top_px, box.bottom_px]].each_with_index.map do |(from, to), axis|
            values = points[true, axis][triangles]
            values.max(axis: 1).gt(from) & values.min(axis: 1).lt(to)
          end
        triangles[beside.reduce(:&).where, true]
      end

      def points_px(layout) = size.to_px(layout.points_uv)

      def texels_of(points, triangle_points, box)
        Raster::TexelMap.call(
          points,
          triangle_points,
          width_px: [box.width_px, 0].max,
          height_px: [box.height_px, 0].max,
          left_px: box.left_px,
          top_px: box.top_px
        )
      end
    end
  end
end
