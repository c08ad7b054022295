# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Fit::IntoCell do
  # A shape 20 px wide and 10 px high, into a cell 100 px wide and 100 px high.
  shape = Numo::DFloat[[10, 10], [30, 10], [30, 20], [10, 20]]
  cell = [200.0, 100.0, 300.0, 200.0]
  set = ->(**options) { SheetTrace::Fit::IntoCell.call(shape, options.delete(:box) || cell, **options) }
  box =
    lambda do |**options|
      places = set.call(**options).apply(shape)
      [*places.min(axis: 0).to_a, *places.max(axis: 0).to_a].map { |px| px.round(6) }
    end

  it "sets a shape inside, over all of the cell, or so that it covers it" do
    assert_equal [200, 125, 300, 175], box.call
    assert_equal cell, box.call(way: "fill")
    assert_equal [150, 100, 350, 200], box.call(way: "cover")
    assert_equal box.call, box.call(way: "true_shape")
  end

  it "keeps the inset free, turns clockwise, and turns over" do
    assert_equal [210, 130, 290, 170], box.call(inset_px: 10)
    assert_equal [225, 100, 275, 200], box.call(turn_rad: Math::PI / 2)
    assert_operator set.call(mirror: true).determinant, :<, 0
    top_left = set.call(turn_rad: Math::PI / 2).at(10, 10).map { |px| px.round(6) }

    assert_equal [275, 100], top_left # a quarter turn clockwise brings the left upper corner to the right
  end

  it "stays inside an outline" do
    triangle = [[200, 200], [250, 100], [300, 200]]
    # w wide and w / 2 high in the middle of the cell: its upper corners touch where 50 - w / 4 = w, at w = 40.
    places = set.call(outline: triangle).apply(shape).to_a

    places.each { |x, y| assert_operator (x - 250).abs, :<=, ((y - 100) / 2) + 1e-6 }
    assert_operator places.map(&:first).minmax.reduce(:-).abs, :>, 39.9
  end

  it "refuses an inset that leaves nothing" do
    assert_refused(SheetTrace::LayoutError, { inset_px: 50 }) { set.call(inset_px: 50) }
  end

  it "takes one box onto another" do
    map = SheetTrace::Fit::IntoCell.box_to_box([0, 0, 10, 10], [5, 5, 25, 45])

    assert_equal [[5, 5], [25, 45]], [map.at(0, 0), map.at(10, 10)]
  end

  it "finds the smallest cell that an island lies in" do
    layout = Models.job(Models.panel).layout # 102.4 to 512 px across, 307.2 to 921.6 down
    cells = [["wide", 0, 0, 1024, 1024], ["tight", 102, 307, 410, 615], ["small", 102, 307, 400, 615]]
    underlay =
      SheetTrace::Fit::Underlay.new(
        name: "u",
        picture: "d",
        picture_px: [1024, 1024],
        cells:
          cells.map do |name, x, y, width, height|
            SheetTrace::Fit::Cell.new(name: name, x: x, y: y, width: width, height: height)
          end
      )

    assert_equal "tight", SheetTrace::Fit::IntoCell.home(layout, 0, underlay).name
    assert_nil SheetTrace::Fit::IntoCell.home(layout, 0, underlay.with(cells: underlay.cells.last(1)))
  end
end
