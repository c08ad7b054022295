# frozen_string_literal: true

module SheetTrace
  module Drawing
    # A drawing of a set size: groups of items, from the back to the front. Items are Strokes, Area, Words,
    # Picture and Clipped.
    # Immutable.
    #
    # width_px, height_px [Numeric]; background [Color, nil] none: transparent
    # groups [Array<Group>]
    Scene =
      Struct.new(:width_px, :height_px, :background, :groups, keyword_init: true) do
        def initialize(background: nil, **rest)
          super
          freeze
        end

        # @param hard [Boolean] px are wholly of a colour or not at all
        # @return [Vips::Image] 8-bit sRGB with alpha
        def to_image(hard: false)
          drawing =
            lambda do |context|
              context.antialias = hard ? Cairo::ANTIALIAS_NONE : Cairo::ANTIALIAS_DEFAULT
              items.each { |item| item.draw(context) }
            end
          return CairoImage.in_one_color(width_px, height_px, only_color, ground: background, &drawing) if only_color

          CairoImage.call(width_px, height_px, opaque: !background.nil?) do |context|
            fill_ground(context)
            drawing.call(context)
          end
        end

        # @return [Color, nil] that all of it is drawn in
        def only_color
          return if items.empty?

          colors = items.map { |item| item.respond_to?(:sole_color) ? item.sole_color : nil }.uniq
          colors.first if colors.size == 1
        end

        # @param context [Cairo::Context] of any surface whose unit is a px
        def draw(context)
          fill_ground(context)
          items.each { |item| item.draw(context) }
        end

        def items = groups.flat_map(&:items)

        # @return [Numo::DFloat] n x 4: x0, y0, x1, y1 of all lines
        def segments
          found = items.grep(Strokes).map(&:segments).reject(&:empty?)
          found.empty? ? Numo::DFloat.zeros(0, 4) : found.first.concatenate(*found.drop(1))
        end

        # @param left_px [Numeric]; top_px [Numeric]; width_px [Numeric]; height_px [Numeric]
        # @return [Scene] a part of it
        def cropped(left_px, top_px, width_px, height_px)
          moved = groups.map { |group| group.moved(-left_px, -top_px) }
          Scene.new(width_px: width_px, height_px: height_px, background: background, groups: moved)
        end

        private

        def fill_ground(context)
          return unless background

          context.set_source_rgb(*background.to_a)
          context.paint
        end
      end

    # What belongs together: the lines and marks of an island. Immutable.
    #
    # name [String] as the painter knows it; kind [String] such as "island"; items [Array]
    Group =
      Struct.new(:name, :kind, :items, keyword_init: true) do
        def moved(x, y) = Group.new(**to_h, items: items.map { |item| item.moved(x, y) })
      end
  end
end
