# frozen_string_literal: true

module SheetTrace
  module Drawing
    # One line of text, drawn as its outlines, so that it looks the same wherever it is shown.
    #
    # text [String]; x, y [Float] px of its middle; size_px [Float] of the em; turn_rad [Float] clockwise
    # color [Color]; halo [Color, nil] round the letters, to be read over lines
    Words =
      Struct.new(:text, :x, :y, :size_px, :turn_rad, :color, :halo, keyword_init: true) do
        def initialize(turn_rad: 0.0, halo: nil, **rest)
          super
          freeze
        end

        # @return [Color, nil] all that is seen of it; nil where it has a halo
        def sole_color = halo ? nil : color

        # @param context [Cairo::Context]
        def draw(context)
          context.save do
            trace(context)
            if halo
              context.set_source_rgb(*halo.to_a)
              context.line_width = size_px * Words::HALO
              context.line_join = Cairo::LineJoin::ROUND
              context.stroke_preserve
            end
            context.set_source_rgb(*color.to_a)
            context.fill
          end
        end

        def moved(right, down) = Words.new(**to_h, x: x + right, y: y + down)

        # @return [String] its outlines as the path data of SVG, px
        def outlines
          drawn = StringIO.new
          surface = Cairo::SVGSurface.new(drawn, Words::FAR, Words::FAR)
          context = Cairo::Context.new(surface)
          trace(context)
          context.fill
          surface.finish
          drawn.string[/ d="([^"]*)"/, 1].to_s.strip
        end

        private

        def trace(context)
          Words.font(context, size_px)
          context.translate(x, y)
          context.rotate(turn_rad)
          width = Words.width(text) * size_px
          context.move_to(-width / 2, Words::CAP_HEIGHT * size_px / 2)
          context.text_path(text)
          context.identity_matrix
        end
      end

    # The typeface of marks.
    class Words
      FILE = File.join(FONTS, "oswald-regular.ttf")
      CAP_HEIGHT = 0.81 # of the em, by the font's own table
      # Of the em: from line to line, and how wide a halo is.
      LINE = 1.15
      HALO = 0.18
      # Lengths are measured at this size, as small sizes are rounded to whole px.
      MEASURED_PX = 1000.0
      # Larger than any drawing.
      FAR = 100_000
      private_constant :FILE, :MEASURED_PX

      # @param text [String]
      # @return [Float] width in ems
      def self.width(text)
        (@widths ||= {})[text] ||= begin
          context = Cairo::Context.new(Cairo::ImageSurface.new(Cairo::FORMAT_A8, 1, 1))
          font(context, MEASURED_PX)
          context.text_extents(text).x_advance / MEASURED_PX
        end
      end

      def self.font(context, size_px)
        @face ||= Cairo::FreeTypeFontFace.new(FILE)
        context.font_face = @face
        context.font_size = size_px
        options = Cairo::FontOptions.new
        options.hint_style = Cairo::HINT_STYLE_NONE
        options.hint_metrics = Cairo::HINT_METRICS_OFF
        context.font_options = options
      end
    end
  end
end
