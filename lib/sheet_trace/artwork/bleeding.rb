# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Carries what a layer has on the rims of islands outwards, into texels that no island has and that the layer itself
    # leaves transparent. What is painted stays to the byte, and holes inside islands stay holes.
    class Bleeding
      # @param box [Box] of the sheet
      # @param reach_px [Integer]
      # @yieldreturn [Raster::TexelMap] of the box; asked for where a layer leaves some of it transparent
      def initialize(box, reach_px, &texel_map)
        @box = box
        @reach_px = reach_px
        @texel_map = texel_map
      end

      # @param patch [Patch] that has something in the box
      # @return [Array(Box, Numo::UInt32)] the part of the box that the layer has paint in now, and its px, height x
      #   width, RGBA
      def call(patch)
        own = patch.box.within(@box)
        painted = patch.pixels_of(own)
        return own, painted if (own == @box && painted.min >= Px::OPAQUE) || targets.empty?

        part = own.grown(@reach_px).within(@box)
        [part, bled(painted, own, part)]
      end

      private

      # @return [Array<Numo::Int32>] texels that no island has, and those whose colour each of them takes
      def targets_and_sources = @targets_and_sources ||= @texel_map.call.bleed(@reach_px)
      def targets = targets_and_sources.first

      # @return [Numo::UInt32] part's height x width
      def bled(painted, own, part)
        pixels = Numo::UInt32.zeros(part.height_px, part.width_px)
        pixels[*own.seen_from(part).ranges] = painted
        to, from = near(own, part)
        return pixels if to.empty?

        free = Geometry::Take.call(pixels, to).lt(Px::LEAST_ALPHA).where
        unless free.empty?
          to, from = [to, from].map { |texels| Geometry::Take.call(texels, free) }
          pixels[to] = Geometry::Take.call(pixels, from)
        end
        pixels
      end

      # Those whose source lies where the layer has an image, as texels of the part.
      def near(own, part)
        inside = own.seen_from(@box)
        x, y = columns_and_rows(targets_and_sources.last)
        rows = (x.ge(inside.left_px) & x.lt(inside.right_px) & y.ge(inside.top_px) & y.lt(inside.bottom_px)).where
        return rows, rows if rows.empty?

        shift = part.seen_from(@box)
        targets_and_sources.map do |texels|
          across, down = columns_and_rows(Geometry::Take.call(texels, rows))
          ((down - shift.top_px) * part.width_px) + across - shift.left_px
        end
      end

      def columns_and_rows(texels) = (texels / @box.width_px).then { |down| [texels - (down * @box.width_px), down] }
    end
  end
end
