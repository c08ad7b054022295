# frozen_string_literal: true

require "cairo"
require "stringio"

module Demo
  # The tea caddy of the Quillhaven Lantern Regatta: a carton of six panels in one edition, pine. The back
  # panel lies sideways on the sheet and is left bare, for a first label.
  module TeaCaddy
    WIDTH = 80
    HEIGHT = 120
    DEPTH = 50
    SHEET_PX = 1024
    PX_PER_MM = 4.0
    PINE = "#2f5a45"
    NIGHT_PINE = "#264a39"
    CREAM = "#e7d9a8"
    GLOW = "#d2552a"

    # Corners of each panel, anticlockwise from outside, its upright lower left corner first; then
    # the px of that panel's top left corner on the sheet, and quarter turns clockwise on it.
    PANELS = {
      "front" => [[0, 1, 2, 3], [24, 24], 0],
      "left" => [[4, 0, 3, 7], [368, 24], 0],
      "right" => [[1, 5, 6, 2], [592, 24], 0],
      "back" => [[5, 4, 7, 6], [24, 528], 1],
      "lid" => [[3, 2, 6, 7], [528, 528], 0],
      "base" => [[4, 5, 1, 0], [528, 752], 0]
    }.freeze
    VERTICES =
      [0, HEIGHT].product([1, -1])
        .flat_map { |y, side| [[-1, y, side], [1, y, side]] }
        .values_at(0, 1, 5, 4, 2, 3, 7, 6)
        .map { |x, y, z| [x * WIDTH / 2.0, y, z * DEPTH / 2.0] }
        .freeze

    # @return [String] the model as an OBJ file
    def self.obj
      lines = ["# Quillhaven Lantern Regatta: tea caddy, #{WIDTH} x #{HEIGHT} x #{DEPTH} mm", "o caddy", "usemtl card"]
      lines += VERTICES.map { |x, y, z| "v #{x} #{y} #{z}" }
      PANELS.each_value do |panel, place, turns|
        lines += uvs(panel, place, turns).map { |u, v| format("vt %.10f %.10f", u, v) }
      end
      PANELS.values.each_with_index do |(panel, *), i|
        lines << "f #{panel.each_with_index.map { |v, k| "#{v + 1}/#{(i * 4) + k + 1}" }.join(" ")}"
      end
      "#{lines.join("\n")}\n"
    end

    def self.uvs(panel, (left, top), turns)
      width, height = [[0, 1], [1, 2]].map { |a, b| length(VERTICES[panel[a]], VERTICES[panel[b]]) * PX_PER_MM }
      box = turns.odd? ? [height, width] : [width, height]
      corners = [[0, 1], [1, 1], [1, 0], [0, 0]].rotate(turns)
      corners.map { |x, y| [(left + (x * box[0])) / SHEET_PX, 1 - ((top + (y * box[1])) / SHEET_PX)] }
    end

    def self.length(a, b) = Math.sqrt(a.zip(b).sum { |p, q| (p - q)**2 })
    private_class_method :uvs, :length

    # @return [Hash{String => String}] file name => PNG
    def self.pictures
      @pictures ||= {
        "caddy-front.png" => picture(WIDTH, HEIGHT) { |c| front(c) },
        "caddy-side.png" => picture(DEPTH, HEIGHT) { |c| side(c) },
        "caddy-lid.png" => picture(WIDTH, DEPTH) { |c| lid(c) }
      }
    end

    # The other flavours: name => colour of the ground.
    FLAVOURS = { "Heather" => "#5d3f66", "Amber" => "#8a5a1c" }.freeze

    # @return [Hash{String => String}] file name => PNG: the fronts of the other flavours
    def self.flavours
      @flavours ||=
        FLAVOURS.to_h { |name, color| [front_of(name), picture(WIDTH, HEIGHT) { |c| front(c, name.upcase, color) }] }
    end

    # @return [String] the table that the editions are filled from
    def self.editions
      ["edition,caddy-front picture", *FLAVOURS.each_key.map { |name| "#{name},#{front_of(name)}" }].join("\n")
    end

    def self.front_of(flavour) = "caddy-front-#{flavour.downcase}.png"
    private_class_method :front_of

    # @return [Hash{String => String}] island name => picture file, for the labels that are set from the start
    def self.labels =
      {
        "Front" => "caddy-front.png",
        "Left" => "caddy-side.png",
        "Right" => "caddy-side.png",
        "Top" => "caddy-lid.png"
      }

    # Draws in mm.
    #
    # @return [String] PNG
    def self.picture(width_mm, height_mm, px_per_mm: 10)
      surface =
        Cairo::ImageSurface.new(Cairo::FORMAT_ARGB32, (width_mm * px_per_mm).round, (height_mm * px_per_mm).round)
      context = Cairo::Context.new(surface)
      context.scale(px_per_mm, px_per_mm)
      yield context
      StringIO.new("".b).tap { |out| surface.write_to_png(out) }.string
    end

    def self.front(context, flavour = "PINE", color = PINE)
      ground(context, color, WIDTH, HEIGHT)
      frame(context, 4, WIDTH, HEIGHT)
      lantern(context, WIDTH / 2.0, 42, 15)
      waves(context, 12, WIDTH - 12, [104, 108])
      words(context, flavour, WIDTH / 2.0, 84, flavour.size > 5 ? 10 : 14, CREAM)
      words(context, "regatta blend", WIDTH / 2.0, 94, 6, CREAM)
      words(context, "QUILLHAVEN", WIDTH / 2.0, 18, 5, CREAM)
    end

    def self.side(context)
      ground(context, NIGHT_PINE, DEPTH, HEIGHT)
      waves(context, 0, DEPTH, (14..94).step(12).to_a)
      words(context, "120 g", DEPTH / 2.0, 110, 7, CREAM)
    end

    def self.lid(context)
      ground(context, CREAM, WIDTH, DEPTH)
      context.set_source_color(PINE)
      context.line_width = 1.4
      context.save do
        context.translate(WIDTH / 2.0, DEPTH / 2.0)
        context.scale(1.5, 1)
        context.arc(0, 0, 20, 0, 2 * Math::PI)
      end
      context.stroke
      words(context, "Quillhaven", WIDTH / 2.0, 24, 8, PINE)
      words(context, "lantern regatta", WIDTH / 2.0, 32, 4, PINE)
    end

    def self.ground(context, color, width, height)
      context.set_source_color(color)
      context.rectangle(0, 0, width, height)
      context.fill
    end

    def self.frame(context, inset, width, height)
      context.set_source_color(CREAM)
      context.line_width = 0.7
      context.rectangle(inset, inset, width - (2 * inset), height - (2 * inset))
      context.stroke
    end

    # A paper lantern with ribs, a glow, and a float beneath.
    def self.lantern(context, x, y, radius)
      context.set_source_color(CREAM)
      context.save do
        context.translate(x, y)
        context.scale(0.82, 1)
        context.arc(0, 0, radius, 0, 2 * Math::PI)
      end
      context.fill
      context.set_source_color(GLOW)
      context.arc(x, y + 3, radius * 0.3, 0, 2 * Math::PI)
      context.fill
      context.set_source_color(PINE)
      context.line_width = 0.8
      [-0.55, 0.0, 0.55].each do |rib|
        arc_line(context, x, y + (rib * radius), radius * 0.8 * Math.sqrt(1 - (rib * rib)), rib * 6)
      end
      context.set_source_color(CREAM)
      context.rectangle(x - 4.5, y - radius - 2.5, 9, 2.4)
      context.rectangle(x - 4.5, y + radius, 9, 2.4)
      context.fill
      context.line_width = 0.9
      context.move_to(x, y - radius - 2)
      context.line_to(x, y - radius - 6)
      context.stroke
    end

    def self.arc_line(context, x, y, half, sag)
      context.move_to(x - half, y)
      context.curve_to(x - (half / 2), y + sag, x + (half / 2), y + sag, x + half, y)
      context.stroke
    end

    # As many whole waves of 8 mm as fit, in the middle.
    def self.waves(context, left, right, heights)
      count = ((right - left) / 8).floor
      start = (left + right - (count * 8)) / 2.0
      context.set_source_rgba(*Cairo::Color.parse(CREAM).to_rgb.to_a[0..2], 0.6)
      context.line_width = 0.9
      heights.each do |y|
        context.move_to(start, y)
        count.times do
          context.rel_curve_to(2, -2.6, 2, -2.6, 4, 0)
          context.rel_curve_to(2, 2.6, 2, 2.6, 4, 0)
        end
        context.stroke
      end
    end

    def self.words(context, text, x, y, size, color)
      context.set_source_color(color)
      context.select_font_face("DejaVu Serif", Cairo::FONT_SLANT_NORMAL, Cairo::FONT_WEIGHT_BOLD)
      context.set_font_size(size)
      extents = context.text_extents(text)
      context.move_to(x - (extents.width / 2) - extents.x_bearing, y)
      context.show_text(text)
    end
    private_class_method :front, :side, :lid, :ground, :frame, :lantern, :arc_line, :waves, :words
  end
end
