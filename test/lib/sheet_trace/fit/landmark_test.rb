# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Fit::Landmark do
  layout = Models.job(Models.panel).layout # 102.4 to 512 px across, 307.2 to 921.6 down
  at = ->(*place) { SheetTrace::Fit::Landmark.at(layout, 0, place, [512.0, 512.0]) }
  where = ->(mark, state = layout) { mark.at(state.uv_map, state.points_px).map { |px| px.round(6) } }

  it "lies where it was put on an island, and beside it at the nearest place of the outline" do
    assert_equal [200, 400], where.call(at.call(200, 400))
    assert_equal [102.4, 500], where.call(at.call(20, 500))
    assert_equal [512, 921.6], where.call(at.call(900, 1000))
  end

  it "goes with the island" do
    moved = layout.place([0], SheetTrace::Geometry::Affine.move(30, -7))

    assert_equal [230, 393], where.call(at.call(200, 400), moved)
    assert_equal 0, at.call(200, 400).island(layout.uv_map)
  end

  it "keeps its goal in UV" do
    at.call(200, 400).to.each { |part| assert_in_delta 0.5, part, 1e-12 }
  end

  it "has no place on an island without area" do
    line = Models.job(Models.panel(uvs: [[0.1, 0.1], [0.5, 0.1], [0.6, 0.1], [0.2, 0.1]])).layout

    assert_refused(SheetTrace::UvError, { island: 0 }) { SheetTrace::Fit::Landmark.at(line, 0, [1, 1], [1, 1]) }
  end
end
