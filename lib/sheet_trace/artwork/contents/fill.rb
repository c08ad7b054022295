# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # One colour.
      class Fill < Kept
        color :color, "#rrggbb"

        # @return [Float] width over height, for places that ask
        def aspect = 1.0

        # @param frame [Frame]
        # @return [Patch]
        def paint(frame, _canvas)
          rgb = Drawing::Color.parse(color).to_a.first(3).map { |share| (share * 255).round }
          return frame.patch_of_part(flat(frame.part, [*rgb, 255])) if frame.straight?

          pixels = Numo::UInt8.zeros(frame.height_px * frame.width_px, 4)
          rgb.each_with_index { |level, band| pixels[true, band] = level }
          pixels[frame.texels, 3] = (frame.coverage * 255).round
          frame.patch(Patch.image(pixels, frame.width_px, frame.height_px))
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = "Fill"

        # @return [String] in words
        def to_words = color

        private

        def flat(box, levels) =
          (Vips::Image.black(box.width_px, box.height_px, bands: 4) + levels).cast(:uchar).copy(interpretation: :srgb)
      end
    end
  end
end
