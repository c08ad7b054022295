# frozen_string_literal: true

module SheetTrace
  module Drawing
    # An image in a rectangle of a drawing.
    #
    # image [Vips::Image] 8-bit sRGB with alpha; x, y, width, height [Float] px
    # smooth [Boolean] between its px, where it is enlarged
    Picture =
      Struct.new(:image, :x, :y, :width, :height, :smooth, keyword_init: true) do
        def initialize(smooth: true, **rest)
          super
          freeze
        end

        # @param context [Cairo::Context]
        def draw(context)
          context.save do
            context.translate(x, y)
            context.scale(width.fdiv(image.width), height.fdiv(image.height))
            pattern = Cairo::SurfacePattern.new(surface)
            pattern.filter = smooth ? Cairo::Filter::GOOD : Cairo::Filter::NEAREST
            pattern.extend = Cairo::EXTEND_PAD
            context.rectangle(0, 0, image.width, image.height)
            context.set_source(pattern)
            context.fill
          end
        end

        def moved(right, down) = Picture.new(**to_h, x: x + right, y: y + down)

        private

        # With px of its own: what a PDF is drawn of is looked at once more when that is let go of, and px that are lent
        # by Ruby may be gone by then.
        def surface
          colors = image.premultiply.rint.cast(:uchar)
          bytes = colors[2].bandjoin([colors[1], colors[0], colors[3]]).write_to_memory
          lent = Cairo::ImageSurface.new(bytes, Cairo::FORMAT_ARGB32, image.width, image.height, image.width * 4)
          own = Cairo::ImageSurface.new(Cairo::FORMAT_ARGB32, image.width, image.height)
          Cairo::Context.new(own) do |context|
            context.set_source(lent)
            context.paint
          end
          lent.finish
          own
        end
      end
  end
end
