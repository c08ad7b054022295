# frozen_string_literal: true

require "cairo"

module Demo
  # The harbour kiosk of the Quillhaven Lantern Regatta: a shed without any UVs, painted from one atlas of four
  # materials and one palette of sixteen
  # squares, of which one is a gradient.
  module Kiosk
    # part, material, and corners of a box: least and greatest x, y and z in mm
    BOXES = [
      ["shed", "planks", [-900, 0, -700], [900, 1900, 700]],
      ["roof", "shingles", [-1020, 1900, -820], [1020, 2040, 820]],
      ["counter", "oak", [-620, 900, 700], [620, 960, 900]],
      ["sign", "board", [-600, 1480, 700], [600, 1800, 730]],
      ["post left", "iron", [-1000, 0, 760], [-950, 1900, 810]],
      ["post right", "iron", [950, 0, 760], [1000, 1900, 810]],
      ["step", "stone", [-500, 0, 710], [500, 120, 1000]]
    ].freeze
    COLORS = {
      "planks" => [0.26, 0.45, 0.47],
      "shingles" => [0.45, 0.25, 0.2],
      "oak" => [0.72, 0.55, 0.33],
      "board" => [0.93, 0.88, 0.76],
      "iron" => [0.2, 0.22, 0.25],
      "stone" => [0.62, 0.61, 0.58]
    }.freeze
    # Corners of each side of a box, anticlockwise from outside.
    SIDES = [[0, 1, 3, 2], [4, 6, 7, 5], [0, 4, 5, 1], [2, 3, 7, 6], [1, 5, 7, 3], [0, 2, 6, 4]].freeze
    ATLAS_PX = 256
    PALETTE_PX = 64
    # name => left, top, width and height in the atlas
    CELLS = {
      "planks" => [4, 4, 120, 120],
      "shingles" => [132, 4, 120, 120],
      "shutter" => [4, 132, 120, 120],
      "sign" => [132, 132, 120, 32]
    }.freeze
    private_constant :BOXES, :COLORS, :SIDES

    # @return [String] the model as an OBJ file
    def self.obj
      lines = ["# Quillhaven Lantern Regatta: harbour kiosk", "mtllib harbour-kiosk.mtl"]
      BOXES.each_with_index do |(part, material, low, high), k|
        lines << "o #{part}" << "usemtl #{material}"
        lines.concat(
          [0, 1].product([0, 1], [0, 1])
            .map do |ends|
              format("v %d %d %d", *ends.each_index.map { |axis| ends[axis].zero? ? low[axis] : high[axis] })
            end
        )
        lines.concat(SIDES.map { |corners| "f #{corners.map { |corner| (8 * k) + corner + 1 }.join(" ")}" })
      end
      "#{lines.join("\n")}\n"
    end

    # @return [String] the material library
    def self.mtl = "#{COLORS.flat_map { |name, color| ["newmtl #{name}", "Kd #{color.join(" ")}"] }.join("\n")}\n"

    # @return [Hash{String => String}] file name => PNG
    def self.pictures
      {
        "kiosk-atlas.png" => TeaCaddy.picture(ATLAS_PX, ATLAS_PX, px_per_mm: 1) { |context| atlas(context) },
        "harbour-palette.png" => TeaCaddy.picture(PALETTE_PX, PALETTE_PX, px_per_mm: 1) { |context| palette(context) }
      }
    end

    def self.atlas(context)
      fill(context, [0.98, 0.97, 0.94], 0, 0, ATLAS_PX, ATLAS_PX)
      boards(context, CELLS["planks"], COLORS["planks"], 12, upright: true)
      boards(context, CELLS["shingles"], COLORS["shingles"], 15, upright: false)
      boards(context, CELLS["shutter"], [0.72, 0.3, 0.2], 24, upright: false)
      fill(context, [0.16, 0.25, 0.34], *CELLS["sign"])
      context.set_source_rgb(0.98, 0.86, 0.55)
      context.select_font_face("DejaVu Sans", Cairo::FONT_SLANT_NORMAL, Cairo::FONT_WEIGHT_BOLD)
      context.set_font_size(18)
      context.move_to(CELLS["sign"][0] + 8, CELLS["sign"][1] + 23)
      context.show_text("LANTERNS")
    end

    # Boards side by side, each a little lighter or darker than the next.
    def self.boards(context, cell, color, step, upright:)
      x, y, width, height = cell
      (0...(upright ? width : height))
        .step(step)
        .each_with_index do |at, i|
          shade = color.map { |share| (share + [0.0, 0.02, -0.015][i % 3]).clamp(0, 1) }
          if upright
            fill(context, shade, x + at, y, [step, width - at].min, height)
          else
            fill(context, shade, x, y + at, width, [step, height - at].min)
          end
        end
    end

    def self.palette(context)
      hues = [
        [0.26, 0.45, 0.47],
        [0.45, 0.25, 0.2],
        [0.72, 0.55, 0.33],
        [0.93, 0.88, 0.76],
        [0.2, 0.22, 0.25],
        [0.62, 0.61, 0.58],
        [0.16, 0.25, 0.34],
        [0.83, 0.35, 0.2],
        [0.12, 0.5, 0.44],
        [0.85, 0.68, 0.2],
        [0.48, 0.25, 0.45],
        [0.36, 0.52, 0.68],
        [0.55, 0.68, 0.4],
        [0.9, 0.62, 0.52],
        [0.3, 0.34, 0.2]
      ]
      hues.each_with_index { |color, i| fill(context, color, (i % 4) * 16, (i / 4) * 16, 16, 16) }
      shade = Cairo::LinearPattern.new(0, 48, 0, 64)
      shade.add_color_stop_rgb(0, 0.98, 0.8, 0.5)
      shade.add_color_stop_rgb(1, 0.72, 0.52, 0.62)
      context.set_source(shade)
      context.rectangle(48, 48, 16, 16)
      context.fill
    end

    def self.fill(context, color, x, y, width, height)
      context.set_source_rgb(*color)
      context.rectangle(x, y, width, height)
      context.fill
    end
    private_class_method :atlas, :boards, :palette, :fill
  end
end
