# frozen_string_literal: true

module SheetTrace
  module Artwork
    module Contents
      # Words, set by Pango in one of the fonts that ship along or that were brought in. Its box is the ink's. Lengths
      # are shares of the em, so that a place says how large it is.
      class Lettering < Kept
        # Px of the em that proportions are measured at.
        MEASURED_PX = 200
        # Px of the em beyond which it is not set, and px of the image to a texel.
        EM_PX = (8..1200)
        FINER = 2.0
        ALIGNED = { "left" => :low, "centre" => :centre, "right" => :high }.freeze
        # Text longer than this is no lettering.
        LONGEST = 400
        private_constant :MEASURED_PX, :EM_PX, :FINER, :ALIGNED, :LONGEST

        # Of strokes' middles, the share that lies in thinner ones than the thinnest that is told.
        THINNEST = 0.1
        # Thinner strokes break up on the sheet, texels (common practice, no source).
        THIN_TEXELS = 1.5
        private_constant :THINNEST, :THIN_TEXELS

        # Of letterings that were measured: width and height, and the thinnest stroke, in ems.
        Measured = Struct.new(:ems) { def bytesize = 1 }
        EXTENTS = BoundedMemo.new(limit: 500)
        STROKES = BoundedMemo.new(limit: 500)
        private_constant :Measured, :EXTENTS, :STROKES

        text :text, "in one line or several", longest: LONGEST
        parameter :font, FontName.new, default: Font::FILES.keys.first
        color :color, "#rrggbb", default: "#1f2a36"
        one_of :align, ALIGNED.keys, "of several lines", default: "centre"
        number :tracking, -0.3..3.0, "between letters, more than the font has", default: 0.0
        number :leading, 0.5..5.0, "from line to line; what the font has if nil", optional: true
        number :outline, 0.0..0.5, "width of a line round the letters", default: 0.0
        color :outline_color, "#rrggbb", default: "#fffdf8"

        # Heights of capitals and of the em on the model, and of capitals and of the thinnest stroke on the sheet; 0
        # where it lies over the sheet.
        fact :cap_mm, Parameters::Number.new(0..1e9)
        fact :em_mm, Parameters::Number.new(0..1e9)
        fact :cap_texels, Parameters::Number.new(0..1e9)
        fact :stroke_texels, Parameters::Number.new(0..1e9)
        fact :breaks_up, Parameters::Flag.new
        # From line to line as it is set, a share of the em.
        fact :line_height, Parameters::Number.new(0..100)

        def facts(job, place)
          em_mm = place.width_mm ? place.width_mm / width_em : 0.0
          cap = Font.named(font).cap_height
          texels = em_mm * (place.density_px_per_mm(job, self) || 0.0)
          stroke = stroke_em * texels
          {
            cap_mm: cap * em_mm,
            em_mm: em_mm,
            cap_texels: cap * texels,
            stroke_texels: stroke,
            breaks_up: stroke.positive? && stroke < THIN_TEXELS,
            line_height: leading || Font.named(font).line_height
          }
        end

        # @raise [InputError] where the font has no glyph for a character
        def validated(context)
          super.tap do |lettering|
            lacking = Font.named(lettering.font).missing(lettering.text)
            if lacking.any?
              raise InputError.new(
                      "#{Font.named(lettering.font).title} has no #{lacking.join(" ")}; take another font, or leave it out",
                      where: {
                        text: lettering.text
                      }
                    )
            end
          end
        end

        # @return [Float] width over height
        def aspect = extent_em.reduce(:/)

        # @return [Float] its width in ems
        def width_em = extent_em[0]

        # @param frame [Frame]
        # @return [Patch]
        def paint(frame, canvas)
          return frame.patch(fitted(frame)) if frame.straight?

          em_px = (frame.covered_px[0] * FINER / width_em).clamp(EM_PX)
          pixels = extent_em.reduce(:*) * (em_px**2)
          Warp.call(canvas.sampler(pixels, [self, em_px, frame.covered_px]) { Sampler.for(set(em_px), frame) }, frame)
        end

        # @return [Drawing::Letters]
        def vectors(_pictures)
          own = Font.named(font)
          Drawing::Letters.new(
            **to_h.slice(:text, :align, :tracking, :leading, :outline),
            font: own.description,
            file: own.path,
            color: Drawing::Color.parse(color),
            outline_color: Drawing::Color.parse(outline_color)
          )
        end

        # @return [String] what a layer of it is called if it is given no name
        def title = text.lines.first.strip.slice(0, 40)

        # @return [String] in words
        def to_words = "#{title.inspect} in #{Font.named(font).title}"

        private

        def extent_em = measured(EXTENTS) { |image| [image.width.fdiv(MEASURED_PX), image.height.fdiv(MEASURED_PX)] }

        def stroke_em = measured(STROKES) { |image| stroke_px(image) / MEASURED_PX }

        # What was measured of its letters before, or the block measures.
        def measured(memo)
          memo.fetch([text, font, align, tracking, leading, outline]) { Measured.new(yield(letters(MEASURED_PX))) }.ems
        end

        # Twice the distance from the middles of strokes to what is no ink.
        def stroke_px(image)
          _, found = (image.embed(1, 1, image.width + 2, image.height + 2) < 128).fill_nearest(distance: true)
          far = found["distance"]
          # What is no ink has 1.
          middles = ((far.rank(3, 3, 8) - far).abs < 0.01) & (far > 1)
          rows = Numo::UInt8.from_binary(middles.write_to_memory).gt(0).where
          return 0.0 if rows.empty?

          2.0 * Numo::SFloat.from_binary(far.write_to_memory)[rows].sort[(rows.size * THINNEST).floor]
        end

        def fitted(frame)
          image = set((frame.width_px / width_em).clamp(EM_PX)).premultiply
          image
            .resize(frame.width_px.fdiv(image.width), vscale: frame.height_px.fdiv(image.height))
            .unpremultiply
            .rint
            .cast(:uchar)
            .crop(0, 0, frame.width_px, frame.height_px)
            .copy(interpretation: :srgb)
            .copy_memory
        end

        # @return [Vips::Image] 8-bit sRGB with alpha
        def set(em_px)
          letters = letters(em_px)
          return filled(color, letters) if outline.zero?

          inside = letters / 255.0
          round = around(letters, outline * em_px)
          colors = [color, outline_color].map { |own| rgb(own) }
          mixed = colors.transpose.map { |inner, outer| (inside * inner) + (((inside * -1) + 1) * outer) }
          mixed[0].bandjoin([*mixed.drop(1), round]).rint.cast(:uchar).copy(interpretation: :srgb)
        end

        def filled(color, alpha)
          (Vips::Image.black(alpha.width, alpha.height) + rgb(color))
            .cast(:uchar)
            .bandjoin(alpha)
            .copy(interpretation: :srgb)
        end

        def rgb(color) = Drawing::Color.parse(color).to_a.first(3).map { |share| (share * 255).round }

        # How much of each px lies within a distance of the letters.
        def around(letters, reach)
          _, found = (letters >= 128).fill_nearest(distance: true)
          share = (found["distance"] * -1) + reach + 0.5
          # a cast takes what is beyond 0 and 255 as these
          (share * 255).cast(:uchar)
        end

        # @return [Vips::Image] one band: how much of each px is ink, with room for the outline round it
        def letters(em_px)
          own = Font.named(font)
          image =
            Vips::Image.text(
              Drawing::Letters.markup(text, em_px: em_px, tracking: tracking, leading: leading),
              font: "#{own.description} #{em_px}",
              fontfile: own.path,
              dpi: 72,
              align: ALIGNED.fetch(align)
            )
          room = (outline * em_px).ceil
          image.embed(room, room, image.width + (2 * room), image.height + (2 * room))
        end
      end
    end
  end
end
