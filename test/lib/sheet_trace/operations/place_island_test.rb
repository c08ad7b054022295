# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Operations::PlaceIsland do
  job = Models.job(Models.panel, width_px: 1000, height_px: 1000) # 400 x 600 px, its middle at 300, 600
  place =
    lambda do |**parameters|
      SheetTrace::Operations.run(SheetTrace::Operations.from_h("place_island", { island: 0, **parameters }), job)
    end
  box = ->(result) { result.job.layout.boxes_px[0, true].to_a.map { |px| px.round(6) } }

  it "moves the centre, and leaves alone what is not typed" do
    assert_equal [300.0, 300.0, 700.0, 900.0], box.call(place.call(x_px: 500))
  end

  it "keeps proportions for one typed side, unless they are free" do
    assert_equal [200.0, 450.0, 400.0, 750.0], box.call(place.call(width_px: 200))
    assert_equal [200.0, 300.0, 400.0, 900.0], box.call(place.call(width_px: 200, free_proportions: true))
  end

  it "turns to a typed angle about the centre" do
    assert_equal [0.0, 400.0, 600.0, 800.0], box.call(place.call(up_angle_rad: Math::PI / 2))
  end

  it "says what it did, with the numbers" do
    assert_equal "Front: centre 500, 600 px, 400 x 600 px, turned 0°", place.call(x_px: 500).sentence
  end
end
