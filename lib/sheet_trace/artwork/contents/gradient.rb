# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # From one colour to another, along a line across its box or from the middle outwards.
      class Gradient < Kept
        LINES = 16
        # Colours that there are on the way: more than there are levels, by so much that rounding is seen nowhere.
        SHADES = 1 << 16
        private_constant :LINES, :SHADES

        color :color, "#rrggbb, where it begins"
        color :to, "#rrggbb, where it ends"
        angle :turn_rad, -1000..1000, "0: from the top down; clockwise", default: 0.0
        flag :round, "from the middle outwards", default: false

        # @return [Float] width over height, for places that ask
        def aspect = 1.0

        # @param frame [Frame]
        # @return [Patch]
        def paint(frame, _canvas)
          return frame.patch_of(straight(frame)) if frame.straight?

          pixels = frame.blank
          px = colors(shares(*frame.places.call(0...frame.texels.size)), shades)
          pixels[frame.texels] = Px.faded(px, frame.coverage)
          frame.patch_of(pixels)
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = "Gradient"

        # @return [String] in words
        def to_words = "#{color} to #{to}"

        private

        # Of the part that is wanted, some lines at a time.
        def straight(frame)
          part = frame.part
          across = places(part.left_px - frame.left_px, part.width_px, frame.width_px).expand_dims(0)
          down = places(part.top_px - frame.top_px, part.height_px, frame.height_px).expand_dims(1)
          pixels = frame.blank
          table = shades
          (0...part.height_px).step(LINES) do |first|
            some = first...[first + LINES, part.height_px].min
            pixels[some, true] = colors(shares(across, down[some, true]).flatten, table).reshape(
              some.size,
              part.width_px
            )
          end
          pixels
        end

        # Middles of texels, as shares of the box.
        def places(from, count, whole) = (Numo::DFloat.new(count).seq + from + 0.5) / whole

        # A turned line is as long as the box is in its direction, so that its ends lie on the corners.
        #
        # @param across, down [Numo::DFloat] n each, or a line and a column
        # @return [Numo::DFloat] n, or lines of columns: how far the way is gone
        def shares(across, down)
          x = across - 0.5
          y = down - 0.5
          return Geometry::InPlace.call(Numo::NMath.sqrt((x**2) + (y**2)), [:*, 2.0]) if round

          sin = Math.sin(turn_rad)
          cos = Math.cos(turn_rad)
          length = sin.abs + cos.abs
          (((y * cos) / length) + 0.5) - ((x * sin) / length)
        end

        # @param shares [Numo::DFloat] n; shades [Numo::UInt32]
        # @return [Numo::UInt32] n px
        def colors(shares, shades)
          Geometry::InPlace.call(shares, [:clip, 0.0, 1.0], [:*, SHADES - 1.0], [:+, 0.5])
          Geometry::Take.call(shades, Numo::Int32.cast(shares))
        end

        # @return [Numo::UInt32] SHADES px
        def shades
          share = Numo::DFloat.new(SHADES).seq / (SHADES - 1)
          ends = [color, to].map { |own| Drawing::Color.parse(own).to_a.first(3) }
          Px.of(ends.transpose.map { |from, to| Numo::UInt32.cast(((((to - from) * share) + from) * 255) + 0.5) })
        end
      end
    end
  end
end
