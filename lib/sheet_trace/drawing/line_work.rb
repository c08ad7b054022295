# frozen_string_literal: true

module SheetTrace
  module Drawing
    # Straight lines on a canvas of a set size.
    #
    # segments [Numo::DFloat] n x 4: x0, y0, x1, y1 in px from the top left corner
    # width_px, height_px [Integer] of the canvas; line_px [Float]
    # color [Color]; background [Color, nil] none: transparent
    LineWork =
      Struct.new(:segments, :width_px, :height_px, :line_px, :color, :background, keyword_init: true) do
        def initialize(...)
          super
          freeze
        end

        # @return [Vips::Image] 8-bit sRGB with alpha
        def to_image = CairoImage.call(width_px, height_px) { |context| draw(context) }

        # @param context [Cairo::Context] of any surface whose unit is a px
        def draw(context)
          if background
            context.set_source_rgb(*background.to_a)
            context.paint
          end
          context.set_source_rgb(*color.to_a)
          context.line_width = line_px
          context.line_cap = Cairo::LineCap::ROUND
          # One long path costs more than many short ones: Cairo looks for crossings within a path.
          segments.to_a.each_slice(LineWork::BATCH) { |batch| stroke(context, batch) }
        end

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
    class LineWork
      BATCH = 300
    end
  end
end
