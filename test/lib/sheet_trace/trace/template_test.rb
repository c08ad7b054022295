# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Trace::Template do
  size = SheetTrace::Layout::Sheet.new(width_px: 100, height_px: 50)
  draw = ->(obj, **options) { SheetTrace::Trace::Template.call(Models.job(obj).layout, size: size, **options) }
  pixel = ->(drawing, x, y) { drawing.to_image.getpoint(x, y) }

  it "draws an edge where its UVs say" do
    # Lower left corner at UV (0.1, 0.1): px (10, 45) of 100 x 50.
    segments = draw.call(Models.panel).segments.to_a.map { |line| line.map { |px| px.round(9) } }

    assert_includes segments.map(&:sort), [10, 45, 50, 45].sort
    assert_equal 4, segments.size
  end

  it "blackens the px that the model samples there" do
    # A line of 1 px from (10, 20) down covers columns 9 and 10 by half; at 10.5 it fills column 10.
    panel = Models.panel(uvs: [[0.105, 0.1], [0.5, 0.1], [0.5, 0.7], [0.105, 0.7]])
    drawing = draw.call(panel, color: "#000000", background: "white")

    assert_equal [0, 0, 0, 255], pixel.call(drawing, 10, 30)
    assert_equal [255, 255, 255, 255], pixel.call(drawing, 9, 30)
    assert_equal [255, 255, 255, 255], pixel.call(drawing, 11, 30)
  end

  it "draws shared edges once, also where islands are stacked" do
    stacked = [
      "v 0 0 0",
      "v 1 0 0",
      "v 1 1 0",
      "v 0 1 0",
      "v 0 0 9",
      "v 1 0 9",
      "v 1 1 9",
      "v 0 1 9",
      "vt 0 0",
      "vt 1 0",
      "vt 1 1",
      "vt 0 1",
      "f 1/1 2/2 3/3 4/4",
      "f 5/1 6/2 7/3 8/4"
    ].join("\n")

    assert_equal 4, draw.call(stacked).segments.shape[0]
  end

  it "leaves inner edges out on demand" do
    two = [
      "v 0 0 0",
      "v 1 0 0",
      "v 1 1 0",
      "v 0 1 0",
      "v 2 0 0",
      "v 2 1 0",
      "vt 0 0",
      "vt 0.5 0",
      "vt 0.5 1",
      "vt 0 1",
      "vt 1 0",
      "vt 1 1",
      "f 1/1 2/2 3/3 4/4",
      "f 2/2 5/5 6/6 3/3"
    ].join("\n")

    assert_equal 7, draw.call(two).segments.shape[0]
    assert_equal 6, draw.call(two, edges: "outline").segments.shape[0]
  end

  it "traces the picked islands alone" do
    assert_equal 0, draw.call(Models.panel, islands: []).segments.shape[0]
    assert_refused(SheetTrace::InputError, { island: 7 }) { draw.call(Models.panel, islands: [7]) }
  end

  it "has a transparent, white or coloured ground" do
    assert_equal [0, 0, 0, 0], pixel.call(draw.call(Models.panel), 1, 1)
    assert_equal [255, 255, 255, 255], pixel.call(draw.call(Models.panel, background: "white"), 1, 1)
    assert_equal [246, 242, 233, 255], pixel.call(draw.call(Models.panel, background: "#f6f2e9"), 1, 1)
  end

  it "draws unbroken lines of the width asked for" do
    image =
      draw.call(
        Models.panel(uvs: [[0.1, 0.1], [0.9, 0.1], [0.9, 0.9], [0.1, 0.9]]),
        line_px: 3,
        color: "#000000",
        background: "white"
      ).to_image

    assert_equal([0.0], (10..90).map { |x| image.getpoint(x, 45)[0] }.uniq)
    assert_equal [0.0, 0.0], [44, 45].map { |y| image.getpoint(50, y)[0] }
  end

  it "refuses what it can't draw" do
    assert_refused(SheetTrace::InputError, { line_px: 0 }) { draw.call(Models.panel, line_px: 0) }
    assert_refused(SheetTrace::InputError, { color: "red" }) { draw.call(Models.panel, color: "red") }
    assert_refused(SheetTrace::InputError, { background: "blue" }) { draw.call(Models.panel, background: "blue") }
    assert_refused(SheetTrace::InputError, { edges: "some" }) { draw.call(Models.panel, edges: "some") }
  end
end
