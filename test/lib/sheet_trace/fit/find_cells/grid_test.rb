# frozen_string_literal: true

require_relative "../../../../test_helper"
require "vips"

# Fields of noise that libvips makes (Perlin, "An Image Synthesizer", SIGGRAPH 1985), each of its own colour and seed.
describe SheetTrace::Fit::FindCells::Grid do
  texture =
    lambda do |width, height, seed|
      random = Random.new(seed)
      noise = Vips::Image.perlin(width, height, cell_size: random.rand(8..40), seed: seed)
      fine = Vips::Image.gaussnoise(width, height, sigma: 6, mean: 0, seed: seed)
      base = Array.new(3) { random.rand(50..200) }
      Vips::Image.bandjoin(base.map { |level| (noise * 45) + fine + level }).cast(:uchar).copy(interpretation: :srgb)
    end
  # Fields at the places that a grid of them has, on paper.
  atlas =
    lambda do |width, height, grid, seed = 1|
      paper = (Vips::Image.black(width, height, bands: 3) + 250).cast(:uchar).copy(interpretation: :srgb)
      SheetTrace::Fit::GridCells
        .call(width, height, **grid)
        .each_with_index
        .reduce(paper) do |image, (cell, i)|
          image.insert(texture.call(cell.width, cell.height, (seed * 100) + i), cell.x, cell.y)
        end
    end
  pixels =
    lambda do |image|
      Numo::UInt8.from_binary(image.bandjoin(255).cast(:uchar).write_to_memory).reshape(image.height, image.width, 4)
    end
  jpeg = ->(image, quality) { Vips::Image.new_from_buffer(image.jpegsave_buffer(Q: quality), "") }
  find = ->(image) { SheetTrace::Fit::FindCells::Grid.call(pixels.call(image)) }

  [
    [640, 320, { columns: 4, rows: 2, gutter_px: 0, margin_px: 0 }],
    [501, 333, { columns: 3, rows: 2, gutter_px: 0, margin_px: 0 }],
    [600, 600, { columns: 4, rows: 4, gutter_px: 6, margin_px: 0 }],
    [777, 401, { columns: 4, rows: 2, gutter_px: 8, margin_px: 8 }],
    [300, 900, { columns: 1, rows: 5, gutter_px: 0, margin_px: 0 }]
  ].each do |width, height, grid|
    it "recognises #{grid} on #{width} x #{height} px, also after JPEG" do
      2.times do |seed|
        image = atlas.call(width, height, grid, seed + 1)

        [image, jpeg.call(image, 70)].each { |seen| assert_equal grid, find.call(seen) }
      end
    end
  end

  it "is what cells are found by, where fields are textured" do
    grid = { columns: 4, rows: 2, gutter_px: 0, margin_px: 0 }
    cells = SheetTrace::Fit::FindCells.call(pixels.call(jpeg.call(atlas.call(640, 320, grid), 80)))

    assert_equal %w[A1 B1 C1 D1 A2 B2 C2 D2], cells.map(&:name)
    assert_equal [[160, 160]], cells.map { |cell| [cell.width, cell.height] }.uniq
  end

  it "finds none in pictures of a few px" do
    (1..8).to_a.product([1, 2, 5, 30]).each { |width, height| assert_nil find.call(texture.call(width, height, 1)) }
  end

  it "takes no single photo, no gradient and no bricks for an atlas" do
    6.times { |seed| assert_nil find.call(texture.call(400, 300, seed + 50)) }
    gradient = Vips::Image.identity(bands: 3).resize(2, vscale: 120).cast(:uchar).copy(interpretation: :srgb)

    assert_nil find.call(gradient)
    brick = texture.call(40, 24, 3)
    wall = brick.replicate(12, 14).insert(texture.call(3, 3, 4), 7, 9)

    assert_nil find.call(wall)
  end
end
