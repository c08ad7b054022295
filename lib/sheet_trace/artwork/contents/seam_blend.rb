# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # What is below, evened out across seams: within a width of a seam the colours of both sides go over into each
      # other, and meet in their mean on the seam itself.
      class SeamBlend < Kept
        number :width_mm, 0.01..100_000.0, "across the seam, both sides together"
        parameter :between,
                  Parameters::ListOf.new(
                    Parameters::ListOf.new(References::Island.new, sizes: 2..2, entry: "island"),
                    sizes: 1..10_000,
                    entry: "pair of islands"
                  ),
                  "the islands on both sides, the same twice where one meets itself; all seams if nil",
                  optional: true

        # @return [Float] width over height, for places that ask
        def aspect = 1.0

        # @return [Boolean] whether it can lie nowhere else
        def whole_sheet? = true

        # @return [Boolean] whether it is made of what is below it
        def reads_below? = true

        # @param canvas [Canvas]
        # @return [Array] what of the layout it depends on
        def dependencies(canvas) = [canvas.layout]

        # @param carry [Object] as Job::Carry has it
        # @return [SeamBlend] on another map; of what is cut anew, none
        def handed_on(carry)
          return self unless between

          pairs = between.map { |pair| pair.map { |island| carry.islands([island]).first } }
          with(between: pairs.reject { |pair| pair.any?(&:nil?) })
        end

        # @param below [Vips::Image] 8-bit sRGB with alpha, as large as the canvas, with some bleed
        # @return [Patch, nil] nil where nothing lies beside the seams
        def paint_over(below, canvas) =
          SeamStrips.call(canvas, width_mm, between)&.then { |strips| strips.blended(below) }

        # @return [String] what a layer of it is called if it is given no name
        def title = between&.one? ? "Blended seam" : "Blended seams"

        # @return [String] in words
        def to_words = "seams blended over #{format("%.4g", width_mm)} mm"
      end
    end
  end
end
