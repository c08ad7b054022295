# frozen_string_literal: true

module SheetTrace
  module Raster
    # Values that are given at the corners of a texel map's triangles, at the centres of its texels: worked out for
    # those that are asked for, some at a time and in place, so that memory is used again instead of fetched fresh.
    class TexelValues
      AT_ONCE = 32_768 # texels
      private_constant :AT_ONCE

      # @param map [TexelMap] of K triangles and N texels
      # @param planes [Array<Array>] one for each value, as Planes.joined has them
      def initialize(map, planes)
        @map = map
        @planes = planes
        @uneven = planes.reject { |across, *| across.is_a?(Float) }
        # What is known of a triangle lies together, and is taken at one go: that is hardly more than to take one value.
        @known = Numo::DFloat.zeros(3 * @uneven.size, map.triangle_count)
        @uneven.flatten(1).each_with_index { |values, k| @known[k, true] = values }
        freeze
      end

      # @param some [Range] n of the N texels
      # @return [Array<Numo::DFloat>] for each value n
      def call(some)
        found = @planes.map { Numo::DFloat.zeros(some.size) }
        some.step(AT_ONCE) do |first|
          part = first...[first + AT_ONCE, some.end].min
          at = (part.begin - some.begin)...(part.end - some.begin)
          centres = centres(Geometry::Take.call(@map.texels, part))
          planes(part).zip(found) { |plane, values| values[at] = on_plane(*plane, *centres) }
        end
        found
      end

      # @return [Array<Numo::DFloat>] for each value N
      def all
        return call(0...@map.texels.size) if @uneven.size == @planes.size

        uneven = TexelValues.new(@map, @uneven).all unless @uneven.empty?
        @planes.map { |across, *rest| across.is_a?(Float) ? even(across, *rest) : uneven.shift }
      end

      private

      # @return [Array<Array>] for each value change per px right, per px down, and value at (0, 0): of each texel, or
      #   what holds for all
      def planes(part)
        return @planes if @uneven.empty?

        own = Geometry::Take.call(@known, true, Geometry::Take.call(@map.triangles, part))
        row = -1
        @planes.map { |plane| plane[0].is_a?(Float) ? plane : Array.new(3) { own[row += 1, true] } }
      end

      def centres(texels)
        rows = texels / @map.width_px
        [texels - (rows * @map.width_px), rows].map { |px| Geometry::InPlace.call(Numo::DFloat.cast(px), [:+, 0.5]) }
      end

      def on_plane(across, down, start, x, y)
        Geometry::InPlace.call(x * across, [:+, y * down], [:+, start])
      end

      # Values of one plane at the centres of all texels.
      def even(across, down, start)
        right = (Numo::DFloat.new(1, @map.width_px).seq + 0.5) * across
        below = ((Numo::DFloat.new(@map.height_px, 1).seq + 0.5) * down) + start
        all = (below + right).flatten
        @map.texels.size == all.size ? all : Geometry::Take.call(all, @map.texels)
      end
    end
  end
end
