# frozen_string_literal: true

require "numo/narray"
require "vips"

module Demo
  # The mascot of the Quillhaven Lantern Regatta: a heron of blocks, and the template of 96 x 64 px that its skin is
  # painted on. Each block's net is a
  # column of top, front, bottom and back, its sides beside the front. The model comes with its nets anywhere on the
  # sheet, turned and at odd scales.
  module Heron
    WIDTH = 96
    HEIGHT = 64
    MM_PER_PX = 10.0

    # name => width, height, depth in px of the template; left upper corner of its net there; middle of the block in
    # px: right, up, to the front
    # turn, scale and corner of the net in the model's file. Twins have one net of the template.
    Block = Struct.new(:sides, :net, :at, :turn_deg, :scale, :corner)
    BLOCKS = {
      "body" => Block.new([10, 10, 12], [1, 1], [0, 21, 0], 0, 1.37, [9.3, 7.7]),
      "crest" => Block.new([6, 4, 6], [37, 1], [0, 41.5, 7], 90, 1.11, [62.4, 3.1]),
      "head" => Block.new([6, 5, 6], [37, 23], [0, 37, 7], 7, 0.93, [93.9, 12.2]),
      "wing left" => Block.new([1, 5, 8], [57, 1], [-5.7, 22, -1], 0, 1.43, [61.3, 32.6]),
      "wing right" => Block.new([1, 5, 8], [57, 1], [5.7, 22, -1], 180, 1.43, [126.2, 71.2]),
      "beak" => Block.new([2, 2, 8], [57, 29], [0, 36.5, 14], 270, 0.81, [94.1, 62.2]),
      "neck" => Block.new([3, 9, 3], [77, 1], [0, 30.2, 7.2], 0, 0.77, [3.7, 71.1]),
      "leg left" => Block.new([2, 10, 2], [88, 1], [-3, 11, 0], 90, 1.19, [54.2, 83.6]),
      "leg right" => Block.new([2, 10, 2], [88, 1], [3, 11, 0], 0, 1.19, [16.4, 71.3]),
      "foot left" => Block.new([4, 1, 6], [77, 28], [-3, 5.5, 2], 0, 0.9, [93.8, 82.4]),
      "foot right" => Block.new([4, 1, 6], [77, 28], [3, 5.5, 2], 180, 0.9, [127.1, 100.3])
    }.freeze
    FILE_PX = 128.0 # along either side of the sheet of the model's file
    # From the outside of each side anticlockwise: which end of x, y and z each corner has.
    SIDES = {
      "front" => [[0, 0, 1], [1, 0, 1], [1, 1, 1], [0, 1, 1]],
      "top" => [[0, 1, 1], [1, 1, 1], [1, 1, 0], [0, 1, 0]],
      "bottom" => [[0, 0, 0], [1, 0, 0], [1, 0, 1], [0, 0, 1]],
      "back" => [[1, 0, 0], [0, 0, 0], [0, 1, 0], [1, 1, 0]],
      "left" => [[0, 0, 0], [0, 0, 1], [0, 1, 1], [0, 1, 0]],
      "right" => [[1, 0, 1], [1, 0, 0], [1, 1, 0], [1, 1, 1]]
    }.freeze
    FEATHERS = {
      "body" => [96, 128, 146],
      "crest" => [38, 52, 72],
      "head" => [226, 226, 214],
      "wing" => [70, 98, 118],
      "beak" => [222, 158, 52],
      "neck" => [214, 214, 204],
      "leg" => [148, 116, 66],
      "foot" => [120, 92, 52]
    }.freeze
    private_constant :Block, :BLOCKS, :FILE_PX, :SIDES, :FEATHERS

    # @param fitted [Boolean] with its nets where the template has them
    # @return [String] the model as an OBJ file
    def self.obj(fitted: false)
      lines = ["# Quillhaven Lantern Regatta: heron of blocks"]
      BLOCKS.each_with_index do |(name, block), k|
        lines << "o #{name}" << "usemtl plumage"
        ends = [0, 1].product([0, 1], [0, 1])
        lines.concat(
          ends.map do |end_of|
            format(
              "v %.3f %.3f %.3f",
              *[0, 1, 2].map { |axis| (block.at[axis] + ((end_of[axis] - 0.5) * block.sides[axis])) * MM_PER_PX }
            )
          end
        )
        SIDES.each_value.with_index do |corners, side|
          lines.concat(corners.each_index.map { |i| uv(block, net(block.sides)[side][i], fitted) })
          words =
            corners.each_with_index.map do |corner, i|
              "#{(k * 8) + ends.index(corner) + 1}/#{(k * 24) + (side * 4) + i + 1}"
            end
          lines << "f #{words.join(" ")}"
        end
      end
      "#{lines.join("\n")}\n"
    end

    # Where each side's corners lie on a block's net, px, in the order of SIDES.
    def self.net(size)
      w, h, d = size
      boxes = {
        "front" => [d, d, w, h],
        "top" => [d, 0, w, d],
        "bottom" => [d, d + h, w, d],
        "back" => [d, (2 * d) + h, w, h],
        "left" => [0, d, d, h],
        "right" => [d + w, d, d, h]
      }
      boxes.map do |side, (x, y, width, height)|
        corners = [[x, y + height], [x + width, y + height], [x + width, y], [x, y]]
        side == "back" ? corners.rotate(2) : corners # the back hangs below the bottom, head down
      end
    end

    # @return [Array<Array(String, Integer, Integer, Integer, Integer)>] name, left, top, width and height of every
    #   panel of the template
    def self.panels
      BLOCKS
        .reject { |name, _block| name.end_with?("right") }
        .flat_map do |name, block|
          SIDES
            .keys
            .zip(net(block.sides))
            .map do |side, corners|
              left, top = [0, 1].map { |axis| corners.map { |corner| corner[axis] }.min }
              right, bottom = [0, 1].map { |axis| corners.map { |corner| corner[axis] }.max }
              [
                "#{name.delete_suffix(" left")} #{side}",
                block.net[0] + left,
                block.net[1] + top,
                right - left,
                bottom - top
              ]
            end
        end
    end

    # Each panel in a shade of its own; the crest has holes to see through.
    #
    # @return [Hash{String => String}] file name => PNG
    def self.pictures
      pixels = Numo::UInt8.zeros(HEIGHT, WIDTH, 4)
      panels.each_with_index do |(name, left, top, width, height), k|
        color =
          FEATHERS
            .fetch(name[/\w+/])
            .each_with_index
            .map do |value, channel|
              (value + [26, -20, 14, -32, 4, -8][k % 6] + (channel == k % 3 ? 9 : 0)).clamp(8, 247)
            end
        pixels[top...(top + height), left...(left + width), 0..2] = Numo::UInt8[*color]
        pixels[top...(top + height), left...(left + width), 3] = 255
        pixels[(top + 1)...(top + height - 2), (left + 2)...(left + width - 2), 3] = 0 if name.match?(
          /crest (left|right)/
        )
      end
      image = Vips::Image.new_from_memory_copy(pixels.to_binary, WIDTH, HEIGHT, 4, :uchar).copy(interpretation: :srgb)
      { "heron-template.png" => SheetTrace::Formats::Png::Writer.call(image) }
    end

    # How many px of the painted skins one of the template is.
    FINE = 8
    # What their colours are multiplied by; the crest is cut into a fringe, and the wings' ends into feathers.
    SKINS = { "heron-dawn.png" => [1.08, 1.0, 0.94], "heron-dusk.png" => [0.62, 0.66, 0.98] }.freeze
    private_constant :FINE, :SKINS

    # Painted on the template at a finer scale: rows of feathers, with cut-outs in them.
    #
    # @return [Hash{String => String}] file name => PNG
    def self.skins
      template = Vips::Image.new_from_buffer(pictures.values.first, "").zoom(FINE, FINE)
      x, y = Vips::Image.xyz(template.width, template.height).bandsplit
      # Scallops of a px of the template, every other row shifted by half.
      row = (y / FINE).floor
      along = (((x + ((row % 2) * (FINE / 2))) % FINE) - (FINE / 2.0)) / (FINE / 2.0)
      shade = (((y % FINE) / FINE) + (along * along * -0.5)) * 0.28
      alpha = template.extract_band(3) & fringes(x, y)
      SKINS.transform_values do |tint|
        colors = (template.extract_band(0, n: 3).cast(:float) * tint * (shade + 0.8)).rint.cast(:uchar)
        SheetTrace::Formats::Png::Writer.call(colors.bandjoin(alpha).copy(interpretation: :srgb))
      end
    end

    # @return [Vips::Image] 0 where the lower rims of crest and wings are cut out, else 255
    def self.fringes(x, y)
      panels
        .select { |name, *_| name.match?(/(crest|wing) (left|right)/) }
        .reduce(x * 0) do |cut, (_, left, top, width, height)|
          inside = (x >= left * FINE) & (x < (left + width) * FINE) & (y < (top + height) * FINE)
          # Teeth that go up to a third of the panel.
          tooth = (((x % (2 * FINE)) - FINE).abs / FINE) * (height * FINE / 3.0)
          cut | (inside & (y >= ((tooth * -1) + ((top + height) * FINE))))
        end ^ 255
    end

    def self.uv(block, place, fitted)
      if fitted
        x, y = block.net.zip(place).map(&:sum)
        return format("vt %.6f %.6f", x.fdiv(WIDTH), 1 - y.fdiv(HEIGHT))
      end

      angle = block.turn_deg * Math::PI / 180
      x, y = place.map { |px| px * block.scale }
      px = [
        block.corner[0] + (x * Math.cos(angle)) - (y * Math.sin(angle)),
        block.corner[1] + (x * Math.sin(angle)) + (y * Math.cos(angle))
      ]
      format("vt %.6f %.6f", px[0] / FILE_PX, 1 - (px[1] / FILE_PX))
    end
    private_class_method :net, :uv, :fringes
  end
end
