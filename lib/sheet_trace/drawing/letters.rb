# frozen_string_literal: true

require "cgi"
require "fiddle"
require "stringio"

module SheetTrace
  module Drawing
    # Words set by Pango, as outlines. Lengths are ems, from the top left corner of the ink and of the line round it.
    #
    # Source: Pango 1.50 reference manual, "Pango markup" and "Cairo rendering".
    class Letters
      # Set at this size, so that what Pango rounds to whole units is small.
      EM = 1000.0
      # Pango counts in as many parts of a px.
      UNITS = 1024
      ALIGNED = { "left" => 0, "centre" => 1, "right" => 2 }.freeze
      # What is bent: into how many lines a curve is cut, and how long a line may be, ems.
      CURVE_PARTS = 12
      LONG = 0.05
      private_constant :EM, :UNITS, :ALIGNED, :CURVE_PARTS, :LONG

      # The C functions, opened when the first words are set.
      module Library
        P = Fiddle::TYPE_VOIDP
        INT = Fiddle::TYPE_INT
        NONE = Fiddle::TYPE_VOID
        HANDLES = %w[libpangocairo-1.0.so.0 libfontconfig.so.1].map { |name| Fiddle.dlopen(name) }.freeze
        SIGNATURES = {
          FcConfigAppFontAddFile: [[P, P], INT],
          g_object_unref: [[P], NONE],
          pango_cairo_context_set_resolution: [[P, Fiddle::TYPE_DOUBLE], NONE],
          pango_cairo_font_map_new: [[], P],
          pango_cairo_layout_path: [[P, P], NONE],
          pango_font_description_free: [[P], NONE],
          pango_font_description_from_string: [[P], P],
          pango_font_map_create_context: [[P], P],
          pango_layout_new: [[P], P],
          pango_layout_set_alignment: [[P, INT], NONE],
          pango_layout_set_font_description: [[P, P], NONE],
          pango_layout_set_markup: [[P, P, INT], NONE]
        }.freeze
        FUNCTIONS =
          SIGNATURES.to_h do |name, (takes, gives)|
            handle = HANDLES.find { |own| own.sym(name.to_s) }
            [name, Fiddle::Function.new(handle[name.to_s], takes, gives)]
          end
        private_constant :P, :INT, :NONE, :HANDLES, :SIGNATURES, :FUNCTIONS

        def self.call(name, *arguments) = FUNCTIONS.fetch(name).call(*arguments)
      end
      private_constant :Library

      # @param text [String]; em_px [Float]; tracking [Float] ems; leading [Float, nil] ems
      # @return [String] for Pango at 72 dots an inch
      def self.markup(text, em_px:, tracking:, leading:)
        line = leading ? %( line_height="#{(leading * em_px * UNITS).round}") : ""
        %(<span letter_spacing="#{(tracking * em_px * UNITS).round}"#{line}>#{CGI.escapeHTML(text)}</span>)
      end

      # @param text [String] in one line or several
      # @param font [String] description of it for Pango; file [String] path of it
      # @param color [Color]; align [String] "left", "centre" or "right"
      # @param tracking [Float] between letters, more than the font has
      # @param leading [Float, nil] from line to line; what the font has if nil
      # @param outline [Float] width of a line round the letters; outline_color [Color]
      def initialize(text:, font:, file:, color:, align:, tracking:, leading:, outline:, outline_color:)
        @text = text
        @font = font
        @file = file
        @color = color
        @align = align
        @tracking = tracking
        @leading = leading
        @outline = outline
        @outline_color = outline_color
        @left, @top, @right, @bottom = ink
      end

      # @return [Array(Float, Float)] width and height of the ink with the line round it
      def size = [@right - @left + (2 * @outline), @bottom - @top + (2 * @outline)]

      # @param context [Cairo::Context] whose unit is an em
      def draw(context)
        path(context)
        paint(context)
      end

      # @return [Boolean] whether it can be drawn where straight lines become bent ones
      def bends? = @outline.zero?

      # Bent: straight lines in the place of curves, short enough to follow.
      #
      # @param context [Cairo::Context]
      # @yieldparam places [Numo::DFloat] n x 2, ems
      # @yieldreturn [Numo::DFloat] n x 2, where they lie in the context
      # @raise [ArgumentError] with a line round the letters, which would be bent otherwise than they are
      def draw_bent(context, &)
        raise ArgumentError, "a line round letters can't be bent" if @outline.positive?

        contours.each { |contour| bent(context, contour, &) }
        paint(context)
      end

      private

      def paint(context)
        if @outline.positive?
          context.set_source_rgb(*@outline_color.to_a)
          context.line_width = 2 * @outline
          context.line_join = Cairo::LineJoin::ROUND
          context.stroke_preserve
        end
        context.set_source_rgb(*@color.to_a)
        context.fill
      end

      def path(context)
        context.save do
          context.translate(@outline - @left, @outline - @top)
          trace(context)
        end
      end

      def bent(context, contour, &)
        places = yield(Numo::DFloat.cast(contour))
        places.to_a.each_with_index { |place, i| i.zero? ? context.move_to(*place) : context.line_to(*place) }
        context.close_path
      end

      # @return [Array<Array<Array(Float, Float)>>] closed lines round the ink
      def contours
        path_data
          .scan(/([MLCZ])([^MLCZ]*)/)
          .each_with_object([]) do |(step, numbers), found|
            places = numbers.split.map { |number| number.to_f / EM }.each_slice(2).to_a
            case step
            when "M"
              found << places
            when "L"
              found.last.concat(between(found.last.last, places[0]))
            when "C"
              found.last.concat(along_curve(found.last.last, *places))
            end
          end
          .select { |contour| contour.size > 2 }
      end

      # @return [String] of SVG, units of an EM-th
      def path_data
        drawn = StringIO.new
        surface = Cairo::SVGSurface.new(drawn, *size.map { |side| side * EM })
        context = Cairo::Context.new(surface)
        context.scale(EM, EM)
        path(context)
        context.fill
        surface.finish
        drawn.string[/ d="([^"]*)"/, 1].to_s
      end

      # Places from one, which is left out, along a cubic Bezier curve.
      def along_curve(from, first, second, to)
        Array.new(CURVE_PARTS) do |i|
          t = (i + 1).fdiv(CURVE_PARTS)
          weights = [(1 - t)**3, 3 * t * ((1 - t)**2), 3 * t * t * (1 - t), t**3]
          [0, 1].map { |axis| [from, first, second, to].zip(weights).sum { |place, weight| place[axis] * weight } }
        end
      end

      # Places from one, which is left out, to another.
      def between(from, to)
        parts = [(Math.hypot(to[0] - from[0], to[1] - from[1]) / LONG).ceil, 1].max
        Array.new(parts) { |i| from.zip(to).map { |a, b| a + ((b - a) * (i + 1) / parts) } }
      end

      def ink
        context = scratch
        trace(context)
        context.path_extents
      end

      # So large that curves are measured finely.
      def scratch
        Cairo::Context.new(Cairo::ImageSurface.new(Cairo::FORMAT_A8, 1, 1)).tap { |context| context.scale(EM, EM) }
      end

      # Adds the outlines to the path, the first line's top left corner at 0, 0.
      def trace(context)
        context.save do
          context.scale(1 / EM, 1 / EM)
          laid_out { |layout| Library.call(:pango_cairo_layout_path, context.raw_address, layout) }
        end
      end

      def laid_out
        Library.call(:FcConfigAppFontAddFile, nil, @file)
        map = Library.call(:pango_cairo_font_map_new)
        pango = Library.call(:pango_font_map_create_context, map)
        Library.call(:pango_cairo_context_set_resolution, pango, 72.0)
        layout = Library.call(:pango_layout_new, pango)
        set(layout)
        yield layout
      ensure
        [layout, pango, map].compact.each { |own| Library.call(:g_object_unref, own) }
      end

      def set(layout)
        font = Library.call(:pango_font_description_from_string, "#{@font} #{EM.round}")
        Library.call(:pango_layout_set_font_description, layout, font)
        Library.call(:pango_font_description_free, font)
        Library.call(:pango_layout_set_alignment, layout, ALIGNED.fetch(@align))
        words = Letters.markup(@text, em_px: EM, tracking: @tracking, leading: @leading)
        Library.call(:pango_layout_set_markup, layout, words, words.bytesize)
      end
    end
  end
end
