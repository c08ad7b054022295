# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # The trace of the layout as it is now, to paint by: seen on the screen, and in nothing that is delivered.
      class Guide < Kept
        color :color, "of the lines", default: "#1f2a36"
        number :line_px, 1.0..64.0, "at the sheet's own size", default: 1.0
        one_of :edges, %w[all outline], "outline: the islands' borders only", default: "all"

        # @return [Float] width over height, for places that ask
        def aspect = 1.0

        # @return [Boolean] whether it is only seen at work
        def guide? = true

        # @return [Boolean] whether it can lie nowhere else
        def whole_sheet? = true

        # @param canvas [Canvas]
        # @return [Array] what of the layout it depends on
        def dependencies(canvas) = [canvas.layout]

        # @param frame [Frame] of the whole sheet
        # @return [Patch]
        def paint(frame, canvas)
          width_px = [line_px * canvas.size.width_px / canvas.layout.sheet.width_px, 1.0].max
          scene = Trace::Template.call(canvas.layout, size: canvas.size, color: color, line_px: width_px, edges: edges)
          frame.patch(scene.to_image)
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = "Guide"

        # @return [String] in words
        def to_words = "the trace"
      end
    end
  end
end
