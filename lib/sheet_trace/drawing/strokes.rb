# frozen_string_literal: true

module SheetTrace
  module Drawing
    # Straight lines of one width and colour.
    #
    # segments [Numo::DFloat] n x 4: x0, y0, x1, y1 in px from the top left corner
    # line_px [Float]; color [Color]; dash_px [Array<Float>] lengths of strokes and gaps, none: unbroken
    # cutting [Boolean] along which a printed sheet is cut
    Strokes =
      Struct.new(:segments, :line_px, :color, :dash_px, :cutting, keyword_init: true) do
        def initialize(dash_px: [], cutting: false, **rest)
          super
          freeze
        end

        # @param lines [Array<Array(Float, Float, Float, Float)>]
        # @return [Strokes]
        def self.of(lines, **rest)
          segments = lines.empty? ? Numo::DFloat.zeros(0, 4) : Numo::DFloat.cast(lines)
          new(segments: segments, **rest)
        end

        # @return [Color] all that is seen of it
        def sole_color = color

        # @param context [Cairo::Context] of any surface whose unit is a px
        def draw(context)
          context.set_source_rgb(*color.to_a)
          context.line_width = line_px
          context.line_cap = dash_px.empty? ? Cairo::LineCap::ROUND : Cairo::LineCap::BUTT
          context.set_dash(dash_px)
          # One long path costs more than many short ones: Cairo looks for crossings within a path.
          segments.to_a.each_slice(Strokes::BATCH) { |batch| stroke(context, batch) }
          context.set_dash([])
        end

        def moved(x, y) =
          Strokes.new(**to_h, segments: segments.empty? ? segments : segments + Numo::DFloat[x, y, x, y])

        private

        def stroke(context, batch)
          batch.each do |x0, y0, x1, y1|
            context.move_to(x0, y0)
            context.line_to(x1, y1)
          end
          context.stroke
        end
      end

    # How the drawing is cut up.
    class Strokes
      BATCH = 300
    end
  end
end
