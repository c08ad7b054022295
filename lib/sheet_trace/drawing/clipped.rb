# frozen_string_literal: true

require "stringio"

module SheetTrace
  module Drawing
    # What draws itself, seen within closed lines: art of lines and areas, which stay so in what is written, or of px.
    #
    # drawn [#call] takes a Cairo::Context whose unit is a px of the drawing
    # loops [Array<Array<Array(Float, Float)>>] px, odd over even; opacity [Float]
    # x, y [Float] px that all of it is moved by
    Clipped =
      Struct.new(:drawn, :loops, :opacity, :x, :y, keyword_init: true) do
        def initialize(opacity: 1.0, x: 0.0, y: 0.0, **rest)
          super
          freeze
        end

        # @param context [Cairo::Context]
        def draw(context)
          context.save do
            context.translate(x, y)
            within(context)
            opacity < 1 ? dimmed(context) : drawn.call(context)
          end
        end

        def moved(right, down) = Clipped.new(**to_h, x: x + right, y: y + down)

        # @param width_px [Numeric] of the whole drawing; height_px [Numeric]
        # @param name [String] that nothing else in the drawing has
        # @return [String] as elements of SVG, px
        def to_svg(width_px, height_px, name)
          written = StringIO.new
          surface = Cairo::SVGSurface.new(written, width_px, height_px)
          draw(Cairo::Context.new(surface))
          surface.finish
          # cairo calls things alike in each file
          written
            .string
            .sub(/\A.*?<svg[^>]*>/m, "")
            .sub(%r{</svg>\s*\z}, "")
            .gsub(/\bid="/, "id=\"#{name}-")
            .gsub("url(#", "url(##{name}-")
            .gsub('href="#', "href=\"##{name}-")
        end

        private

        def within(context)
          context.fill_rule = Cairo::FillRule::EVEN_ODD
          loops.each do |own|
            own.each_with_index { |place, i| i.zero? ? context.move_to(*place) : context.line_to(*place) }
            context.close_path
          end
          context.clip
          context.fill_rule = Cairo::FillRule::WINDING
        end

        def dimmed(context)
          context.push_group
          drawn.call(context)
          context.pop_group_to_source
          context.paint(opacity)
        end
      end
  end
end
