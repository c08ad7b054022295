# frozen_string_literal: true

require "test_helper"
require "vips"

describe SheetTrace::Raster::Corrections do
  corrections = SheetTrace::Raster::Corrections
  # Red tells the column, green the row.
  coordinates =
    lambda do |width, height|
      pixels = Numo::UInt8.zeros(height, width, 4) + 255
      pixels[true, true, 0] = Numo::DFloat.new(width).seq.expand_dims(0) * 255 / width
      pixels[true, true, 1] = Numo::DFloat.new(height).seq.expand_dims(1) * 255 / height
      Vips::Image.new_from_memory_copy(pixels.to_binary, width, height, 4, :uchar).copy(interpretation: :srgb)
    end
  color = ->(image, x, y) { image.getpoint(x, y).map(&:round) }

  it "straightens four corners into a rectangle" do
    step = { step: "straighten", corners: [[20, 10], [90, 20], [100, 90], [10, 80]], width_px: 80, height_px: 60 }
    image = corrections.call([step], coordinates.call(120, 100))

    assert_equal [80, 60], [image.width, image.height]
    assert_equal [80, 60], corrections.size([step], [120, 100])
    # The first px shows what lies at the first corner: column 20 of 120, row 10 of 100.
    assert_in_delta 20 * 255 / 120.0, color.call(image, 0, 0)[0], 4
    assert_in_delta 100 * 255 / 120.0, color.call(image, 79, 59)[0], 5
    assert_in_delta 90 * 255 / 100.0, color.call(image, 79, 59)[1], 5
    # Of a rectangle it is a crop, to a rounding step.
    crop =
      corrections.call(
        [{ step: "straighten", corners: [[10, 20], [50, 20], [50, 70], [10, 70]] }],
        coordinates.call(120, 100)
      )

    assert_operator (crop - coordinates.call(120, 100).crop(10, 20, 40, 50)).abs.max, :<=, 1
  end

  it "trims, and takes a strip out" do
    image = coordinates.call(100, 50)
    trimmed = corrections.call([{ step: "trim", left: 10, bottom: 5 }], image)
    closed = corrections.call([{ step: "leave_out", way: "across", from_px: 20, to_px: 60 }], image)

    assert_equal [90, 45], [trimmed.width, trimmed.height]
    assert_equal color.call(image, 10, 0), color.call(trimmed, 0, 0)
    assert_equal [60, 50], [closed.width, closed.height]
    assert_equal [color.call(image, 19, 3), color.call(image, 60, 3)],
                 [color.call(closed, 19, 3), color.call(closed, 20, 3)]
    assert_equal [100, 30], corrections.size([{ step: "leave_out", way: "down", from_px: 0, to_px: 20 }], [100, 50])
  end

  it "evens out light that falls off to one side" do
    pixels = Numo::UInt8.zeros(60, 120, 4) + 255
    pixels[true, true, 0..2] = (80 + (Numo::DFloat.new(120).seq * 120 / 120)).expand_dims(0).expand_dims(2)
    image = Vips::Image.new_from_memory_copy(pixels.to_binary, 120, 60, 4, :uchar).copy(interpretation: :srgb)
    even = corrections.call([{ step: "even_light" }], image)
    ends = [5, 114].map { |x| color.call(even, x, 30)[0] }

    assert_equal 255, color.call(even, 0, 0)[3]
    # From 120 apart to less than a quarter of it.
    assert_operator (ends[1] - ends[0]).abs, :<, 30
  end

  it "unrolls a label from a cylinder: equal widths come out equal" do
    # Stripes every 10 degrees on a cylinder of radius 90, its axis at 100: seen at 100 + 90 sin t (development of a
    # cylinder).
    angles = (0...200).map { |x| (x + 0.5 - 100) / 90.0 }.map { |s| s.abs < 1 ? Math.asin(s) : nil }
    pixels = Numo::UInt8.zeros(40, 200, 4) + 255
    angles.each_with_index { |angle, x| pixels[true, x, 0..2] = angle && (angle * 18 / Math::PI).floor.even? ? 255 : 0 }
    image = Vips::Image.new_from_memory_copy(pixels.to_binary, 200, 40, 4, :uchar).copy(interpretation: :srgb)
    flat = corrections.call([{ step: "unroll", left_px: 10, right_px: 190 }], image)
    row = (0...flat.width).map { |x| color.call(flat, x, 20)[0] > 127 }
    runs = row.slice_when { |a, b| a != b }.map(&:size)[2...-2]

    # 10 degrees of a radius of 90 px: 15.7 px.
    runs.each { |px| assert_in_delta 15.7, px, 1.8 }
    assert_in_delta 90 * 2 * Math.asin(0.995), flat.width, 1
  end

  it "tells what is wrong with a recipe, and at which step" do
    step = SheetTrace::Raster::Corrections::Step.new
    check =
      lambda do |recipe|
        corrections.validated_sizes(
          SheetTrace::Parameters::ListOf.new(step, sizes: 0..20, entry: "step").validate(recipe, "recipe", nil),
          [200, 100]
        )
      end

    {
      [{ step: "fly" }] => /no correction "fly"/,
      [{ step: "trim", left: 300 }] => /step 1, trim: nothing would be left/,
      [{ step: "trim", colour: 1 }] => /step 1: trim: there is no parameter colour/,
      [{ step: "trim" }, { step: "straighten", corners: [[0, 0], [0, 9], [9, 9], [9, 0]] }] =>
        /step 2, straighten: .*clockwise/,
      "x" => /recipe is no list/,
      [{ step: "unroll", left_px: 9, right_px: 3 }] => /right side must lie right/
    }.each { |recipe, message| assert_refused(SheetTrace::InputError, message: message) { check.call(recipe) } }
    assert_equal [197, 100], check.call([{ step: "trim", left: 3 }, { step: "even_light" }])
  end
end
