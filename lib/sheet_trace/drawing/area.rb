# frozen_string_literal: true

module SheetTrace
  module Drawing
    # An area within closed lines, odd over even, filled or hatched.
    #
    # loops [Array<Array<Array(Float, Float)>>] px; color [Color]; opacity [Float]
    # hatch_px [Float, nil] distance of slanting lines in the place of a fill
    Area =
      Struct.new(:loops, :color, :opacity, :hatch_px, keyword_init: true) do
        def initialize(opacity: 1.0, hatch_px: nil, **rest)
          super
          freeze
        end

        # @param context [Cairo::Context]
        def draw(context)
          context.save do
            context.fill_rule = Cairo::FillRule::EVEN_ODD
            outline(context)
            context.set_source_rgba(*color.to_a, opacity)
            hatch_px ? hatch(context) : context.fill
          end
        end

        def moved(x, y) = Area.new(**to_h, loops: loops.map { |own| own.map { |px, py| [px + x, py + y] } })

        # @return [Array<Array(Float, Float, Float, Float)>] the lines of a hatching over the box of the loops
        def hatching
          xs, ys = loops.flatten(1).transpose
          left, right = xs.minmax
          top, bottom = ys.minmax
          high = bottom - top
          (left - high).step(right, hatch_px).map { |x| [x, bottom, x + high, top] }
        end

        def hatch_line_px = [hatch_px / 8, 1].max

        private

        def outline(context)
          loops.each do |own|
            own.each_with_index { |place, i| i.zero? ? context.move_to(*place) : context.line_to(*place) }
            context.close_path
          end
        end

        def hatch(context)
          context.clip
          context.line_width = hatch_line_px
          hatching.each do |x0, y0, x1, y1|
            context.move_to(x0, y0)
            context.line_to(x1, y1)
          end
          context.stroke
        end
      end
  end
end
