# frozen_string_literal: true

require "test_helper"
require "cairo"
require "vips"

# Pictures are drawn by Cairo at known px, and made noisy by libvips' JPEG writer.
describe SheetTrace::Fit::FindCells do
  find = ->(pixels) { SheetTrace::Fit::FindCells.call(pixels) }
  boxes = ->(cells) { cells.map { |cell| [cell.x, cell.y, cell.width, cell.height] }.sort }
  rectangles = [[20, 20, 100, 60], [140, 20, 80, 120], [20, 100, 100, 40], [240, 30, 61, 97]].sort

  draw =
    lambda do |width, height, &block|
      surface = Cairo::ImageSurface.new(Cairo::FORMAT_ARGB32, width, height)
      block.call(Cairo::Context.new(surface))
      surface.flush
      Numo::UInt8.from_binary(surface.data).reshape(height, width, 4)[true, true, [2, 1, 0, 3]].dup
    end
  image =
    lambda do |pixels|
      Vips::Image.new_from_memory_copy(pixels.to_binary, pixels.shape[1], pixels.shape[0], 4, :uchar).copy(
        interpretation: :srgb
      )
    end
  jpeg =
    lambda do |pixels, quality|
      read =
        Vips::Image
          .new_from_buffer(image.call(pixels).flatten(background: 255).jpegsave_buffer(Q: quality), "")
          .bandjoin(255)
          .cast(:uchar)
      Numo::UInt8.from_binary(read.write_to_memory).reshape(*pixels.shape)
    end
  paper =
    lambda do |context|
      context.set_source_rgb(1, 1, 1)
      context.paint
    end
  template =
    lambda do |line, off|
      draw.call(320, 160) do |context|
        paper.call(context)
        context.set_source_rgb(0, 0, 0)
        context.set_line_width(line)
        rectangles.each do |x, y, width, height|
          context.rectangle(x - off, y - off, width + (2 * off), height + (2 * off))
        end
        context.stroke
      end
    end
  fills =
    draw.call(320, 160) do |context|
      context.set_source_rgb(0.95, 0.93, 0.85)
      context.paint
      rectangles.zip([[0.2, 0.5, 0.4], [0.8, 0.3, 0.2], [0.3, 0.3, 0.6], [0.1, 0.1, 0.1]]) do |box, color|
        context.set_source_rgb(*color)
        context.rectangle(*box)
        context.fill
      end
    end
  palette =
    lambda do |count, px|
      draw.call(count * px, count * px) do |context|
        (0...count)
          .to_a
          .product((0...count).to_a) do |i, j|
            context.set_source_rgb(i.fdiv(count), j.fdiv(count), ((i + j) % 3) / 2.0)
            context.rectangle(i * px, j * px, px, px)
            context.fill
          end
      end
    end

  {
    "lines of one px" => template.call(1, 0.5),
    "smoothed lines" => template.call(2, 0.7),
    "fills" => fills
  }.each do |name, pixels|
    it "finds rectangles of #{name} to the px, also after JPEG at qualities 90 and 75" do
      assert_equal rectangles, boxes.call(find.call(pixels))
      assert_equal rectangles, boxes.call(find.call(jpeg.call(pixels, 90)))
      assert_equal rectangles, boxes.call(find.call(jpeg.call(pixels, 75)))
    end
  end

  it "finds the squares of a palette, all of them, and their colours" do
    [2, 4, 8].each do |count|
      cells = find.call(palette.call(count, 16))

      assert_equal (0...count).to_a.product((0...count).to_a).map { |i, j| [i * 16, j * 16, 16, 16] }, boxes.call(cells)
      assert cells.all?(&:flat)
      assert_equal [0, 0, 0], cells.find { |cell| cell.name == "A1" }.color
    end
    assert_equal 16, find.call(jpeg.call(palette.call(4, 16), 90)).size
  end

  it "names cells of a grid by column and row, others by number in reading order" do
    assert_equal %w[A1 B1 A2 B2], find.call(palette.call(2, 8)).map(&:name)
    assert_equal (1..4).map { |i| "Cell #{i}" }, find.call(fills).map(&:name)
  end

  it "takes a gradient as one cell, and knows that it is not flat" do
    cells =
      find.call(
        draw.call(128, 64) do |context|
          paper.call(context)
          shade = Cairo::LinearPattern.new(0, 0, 64, 0)
          shade.add_color_stop_rgb(0, 1, 0.9, 0.2)
          shade.add_color_stop_rgb(1, 0.1, 0.1, 0.4)
          context.set_source(shade)
          context.rectangle(0, 0, 64, 64)
          context.fill
        end
      )

    assert_equal [[0, 0, 64, 64], false], [boxes.call(cells).first, cells.first.flat]
  end

  {
    "to the right" => [[0, 0, 60, 0], [0, 0, 60, 40], [60, 0, 36, 40]],
    "to the left" => [[96, 0, 36, 0], [36, 0, 60, 40], [0, 0, 36, 40]],
    "below" => [[0, 0, 0, 60], [0, 0, 40, 60], [0, 60, 40, 36]],
    "along its side" => [[0, 60, 0, 0], [0, 0, 40, 60], [40, 0, 40, 60]]
  }.each do |where, (line, strip, swatch)|
    it "takes a gradient and the swatch of its end colour #{where} as two cells" do
      [[1.0, 0.9, 0.2], [0.4, 0.4, 0.4]].each do |start|
        found =
          find.call(
            draw.call(256, 128) do |context|
              paper.call(context)
              context.translate(16, 16)
              shade = Cairo::LinearPattern.new(*line)
              shade.add_color_stop_rgb(0, *start)
              shade.add_color_stop_rgb(1, 0.1, 0.1, 0.4)
              context.set_source(shade)
              context.rectangle(*strip)
              context.fill
              context.set_source_rgb(0.1, 0.1, 0.4)
              context.rectangle(*swatch)
              context.fill
            end
          )

        assert_equal [strip, swatch].map { |x, y, *size| [x + 16, y + 16, *size] }.sort, boxes.call(found).sort
        assert_equal 1, found.count(&:flat)
        assert_equal [strip[2] == 60 ? "across" : "down"], found.filter_map(&:shade)
      end
    end
  end

  it "outlines islands of alpha that are no rectangles, and takes the print in a panel as part of it" do
    pixels =
      draw.call(128, 128) do |context|
        context.set_source_rgb(0.9, 0.2, 0.2)
        context.arc(40, 40, 25, 0, 7)
        context.fill
        context.rectangle(80, 70, 30, 40)
        context.fill
        context.set_source_rgb(1, 1, 1)
        context.rectangle(88, 80, 10, 10)
        context.fill
      end
    round, panel = find.call(pixels)

    assert_equal [15, 15, 50, 50], [round.x, round.y, round.width, round.height]
    assert_equal [80, 70, 30, 40], [panel.x, panel.y, panel.width, panel.height]
    assert_nil panel.outline
    # The area of the outline is that of the disc, to within a px along its rim.
    area =
      round.outline.each_index.sum do |i|
        round.outline[i - 1].then { |(ax, ay)| (ax * round.outline[i][1]) - (round.outline[i][0] * ay) }
      end / 2.0

    assert_in_delta Math::PI * 25 * 25, area, 2 * Math::PI * 25
  end

  it "finds nothing in noise, and nothing in one plain colour" do
    noise = Numo::UInt8.cast(Numo::DFloat.new(64, 64, 4).rand * 255).tap { |all| all[true, true, 3] = 255 }

    assert_empty find.call(noise)
    assert_empty find.call(Numo::UInt8.zeros(32, 32, 4) + 255)
  end

  it "says so where a picture is too large to be looked through" do
    huge = Numo::UInt8.new(4097, 4096, 4)
    assert_refused(SheetTrace::LimitError, { got: 4097 * 4096 }, message: /4096 x 4097; trim it, or type a grid/) do
      find.call(huge)
    end
  end

  it "divides a picture into a typed grid, whole px each, and refuses one that does not fit" do
    cells = SheetTrace::Fit::GridCells.call(100, 60, columns: 3, rows: 2, gutter_px: 4, margin_px: 2)

    assert_equal %w[A1 B1 C1 A2 B2 C2], cells.map(&:name)
    # (100 - 4 + 4) / 3 = 33 1/3 a step: 2, 35 1/3, 68 2/3; each 29 1/3 wide.
    assert_equal [[2, 29], [35, 30], [69, 29]], cells.first(3).map { |cell| [cell.x, cell.width] }
    assert_refused(SheetTrace::InputError, { columns: 40 }, message: /don't fit on 100 x 60 px/) do
      SheetTrace::Fit::GridCells.call(100, 60, columns: 40, rows: 1, gutter_px: 4)
    end
  end
end
