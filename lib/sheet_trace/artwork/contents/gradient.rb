# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # From one colour to another, along a line across its box or from the middle outwards.
      class Gradient < Kept
        LINES = 64
        private_constant :LINES

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
          pixels[frame.texels] = Px.faded(colors(*frame.places.call(0...frame.texels.size)), frame.coverage)
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
          across = places(part.left_px - frame.left_px, part.width_px, frame.width_px)
          down = places(part.top_px - frame.top_px, part.height_px, frame.height_px)
          pixels = frame.blank
          (0...part.height_px).step(LINES) do |first|
            some = first...[first + LINES, part.height_px].min
            grid = Numo::DFloat.zeros(some.size, part.width_px)
            own = colors((grid + across.expand_dims(0)).flatten, (grid + down[some].expand_dims(1)).flatten)
            pixels[some, true] = own.reshape(some.size, part.width_px)
          end
          pixels
        end

        # Middles of texels, as shares of the box.
        def places(from, count, whole) = (Numo::DFloat.new(count).seq + from + 0.5) / whole

        # @return [Numo::UInt32] n px
        def colors(across, down)
          share = shares(across - 0.5, down - 0.5).clip(0, 1)
          ends = [color, to].map { |own| Drawing::Color.parse(own).to_a.first(3) }
          Px.of(ends.transpose.map { |from, to| Numo::UInt32.cast(((from + (share * (to - from))) * 255).round) })
        end

        # A turned line is as long as the box is in its direction, so that its ends lie on the corners.
        def shares(x, y)
          return Numo::NMath.hypot(x, y) * 2 if round

          sin = Math.sin(turn_rad)
          cos = Math.cos(turn_rad)
          (((y * cos) - (x * sin)) / (sin.abs + cos.abs)) + 0.5
        end
      end
    end
  end
end
