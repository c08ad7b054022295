# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # From one colour to another, along a line across its box or from the middle outwards.
      class Gradient < Kept
        color :color, "#rrggbb, where it begins"
        color :to, "#rrggbb, where it ends"
        angle :turn_rad, -1000..1000, "0: from the top down; clockwise", default: 0.0
        flag :round, "from the middle outwards", default: false

        # @return [Float] width over height, for places that ask
        def aspect = 1.0

        # @param frame [Frame]
        # @return [Patch]
        def paint(frame, _canvas)
          across, down = frame.straight? ? straight_places(frame) : [frame.across, frame.down]
          share = shares(across - 0.5, down - 0.5).clip(0, 1)
          pixels = Numo::UInt8.zeros(frame.height_px * frame.width_px, 4)
          rows = frame.straight? || frame.texels
          [color, to].map { |own| Drawing::Color.parse(own).to_a.first(3) }
            .transpose
            .each_with_index { |(from, to), band| pixels[rows, band] = ((from + (share * (to - from))) * 255).round }
          pixels[rows, 3] = frame.straight? ? 255 : (frame.coverage * 255).round
          frame.patch(Patch.image(pixels, frame.width_px, frame.height_px))
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = "Gradient"

        # @return [String] in words
        def to_words = "#{color} to #{to}"

        private

        def straight_places(frame)
          [frame.width_px, frame.height_px].each_with_index.map do |px, axis|
            own = (Numo::DFloat.new(px).seq + 0.5) / px
            (own.expand_dims(axis) + Numo::DFloat.zeros(frame.height_px, frame.width_px)).flatten
          end
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
