# frozen_string_literal: true

module SheetTrace
  module Artwork
    # Sets a picture on an island by its size on the model. Each texel of the island asks its flat map
    # where on the surface it lies, and takes the picture's colour there, so that the picture keeps its
    # proportions on the model however the island is stretched or turned on the sheet.
    class BakeLabel
      OUTSIDE = -1e6 # a place outside any picture, which mapim leaves transparent
      private_constant :OUTSIDE

      # @param layer [Layer] with a place
      # @param canvas [Canvas]
      # @return [Patch, nil] nil if no texel of the island is on the sheet
      # @raise [UvError] as Flatten::FlatMap says
      def self.call(layer, canvas) = new(layer, canvas).send(:bake)

      def initialize(layer, canvas)
        @place = layer.place
        @canvas = canvas
        @picture = canvas.picture(layer.picture)
      end
      private_class_method :new

      private

      def bake
        texel_map = @canvas.island_map(@place.island)
        return if texel_map.texels.empty?

        picture = shrunk
        x, y = texel_map.interpolate(picture_corners(picture))
        warp(picture, texel_map.texels, x, y)
      end

      # Where the corners of the triangles lie on the picture, px, counted from the middle of its first pixel as mapim does.
      def picture_corners(picture)
        x, y = flat_corners
        cos = Math.cos(@place.turn_rad)
        sin = Math.sin(@place.turn_rad)
        x -= @place.x_mm
        y -= @place.y_mm
        across = (((x * cos) - (y * sin)) / @place.width_mm) + 0.5
        down = 0.5 - (((x * sin) + (y * cos)) / height_mm)
        [(across * picture.width) - 0.5, (down * picture.height) - 0.5]
      end

      def flat_corners
        @flat_corners ||= @canvas.flat_map(@place.island).by_point.map { |values| values[triangle_points] }
      end

      def triangle_points
        map = @canvas.layout.uv_map
        map.triangles.points[map.island_triangles[@place.island], true]
      end

      def height_mm = @place.width_mm * @picture.height / @picture.width

      # The picture brought down to about as many pixels as it covers texels, in each direction by itself,
      # so that fine detail is averaged and not skipped.
      def shrunk
        across, down = texels_covered
        horizontal = [across / @picture.width, 1.0].min
        vertical = [down / @picture.height, 1.0].min
        return @picture.premultiply if horizontal > 0.99 && vertical > 0.99

        horizontal = [horizontal, 1.0 / @picture.width].max
        vertical = [vertical, 1.0 / @picture.height].max
        @picture.premultiply.resize(horizontal, vscale: vertical)
      end

      # Root mean square of the sheet's px per mm along the label's width and height, times its size.
      def texels_covered
        jacobians, area = sheet_jacobians
        cos = Math.cos(@place.turn_rad)
        sin = Math.sin(@place.turn_rad)
        [[cos, -sin, @place.width_mm], [sin, cos, height_mm]].map do |x, y, length_mm|
          dx, dy = jacobians.on_plane([x, y, 0.0])
          length_mm * Math.sqrt((((dx**2) + (dy**2)) * area).sum / [area.sum, Float::MIN].max)
        end
      end

      # From the flat map, which stands in for the model here, to px.
      def sheet_jacobians
        flat = Array.new(3) { |k| [*flat_corners.map { |corners| corners[true, k] }, Numo::DFloat.zeros(flat_corners[0].shape[0])] }
        px = @canvas.size.to_px(@canvas.layout.points_uv)
        map = @canvas.layout.uv_map
        jacobians = UvMap::Jacobians.call(flat, map.triangle_places(px, map.island_triangles[@place.island]))
        [jacobians, jacobians.area_mm2]
      end

      def warp(picture, texels, x, y)
        width = @canvas.size.width_px
        columns = texels % width
        lines = texels / width
        left, right = columns.minmax
        top, bottom = lines.minmax
        box_width = right - left + 1
        box_height = bottom - top + 1
        index = Numo::SFloat.new(box_width * box_height, 2).fill(OUTSIDE)
        at = ((lines - top) * box_width) + columns - left
        index[at, 0] = x
        index[at, 1] = y
        map = Vips::Image.new_from_memory_copy(index.to_binary, box_width, box_height, 2, :float)
        baked = picture.mapim(map, interpolate: Vips::Interpolate.new(:bicubic)).unpremultiply.rint.cast(:uchar)
        Patch.new(image: baked.copy(interpretation: :srgb).copy_memory, left_px: left, top_px: top)
      end
    end
  end
end
