# frozen_string_literal: true

module Demo
  # The parade drum of the Quillhaven Lantern Regatta: a cylinder by typed measures whose wrap goes once round and must
  # join at the back.
  module ParadeDrum
    MEASURES = { diameter_mm: 300.0, height_mm: 240.0, sides: 48 }.freeze
    # As long as the chords of the cylinder's sides.
    WRAP_MM = 2 * 150 * Math.sin(Math::PI / 48) * 48
    WAVES = 12
    # The ground of each wrap.
    GROUNDS = { "drum-wrap.png" => "#2c3f66", "drum-wrap-plum.png" => "#5d2f52" }.freeze
    CREAM = "#ece0c2"
    GLOW = "#d2552a"
    private_constant :WAVES, :GROUNDS, :CREAM, :GLOW

    # @return [Hash{String => String}] file name => PNG
    def self.pictures
      GROUNDS.transform_values do |ground|
        TeaCaddy.picture(WRAP_MM, MEASURES[:height_mm], px_per_mm: 2) { |context| wrap(context, ground) }
      end
    end

    def self.wrap(context, ground)
      width = WRAP_MM
      height = MEASURES[:height_mm]
      context.set_source_color(ground)
      context.paint
      [[0, 22], [height - 22, 22]].each { |y, band| stripe(context, y, width, band) }
      [height * 0.32, height * 0.68].each { |y| waves(context, y, width) }
      WAVES.times { |i| lantern(context, (i + 0.5) * width / WAVES, height / 2, i.even? ? 15 : 10) }
    end

    def self.stripe(context, y, width, band)
      context.set_source_color(CREAM)
      context.rectangle(0, y, width, band)
      context.fill
    end

    # Whole waves, so that the ends meet.
    def self.waves(context, y, width)
      step = width / WAVES
      context.set_source_color(CREAM)
      context.line_width = 2.2
      context.move_to(0, y)
      WAVES.times do
        context.rel_curve_to(step / 4, -14, step / 4, -14, step / 2, 0)
        context.rel_curve_to(step / 4, 14, step / 4, 14, step / 2, 0)
      end
      context.stroke
    end

    def self.lantern(context, x, y, radius)
      { CREAM => radius, GLOW => radius * 0.36 }.each do |color, size|
        context.set_source_color(color)
        context.arc(x, y, size, 0, 2 * Math::PI)
        context.fill
      end
    end
    private_class_method :wrap, :stripe, :waves, :lantern
  end
end
