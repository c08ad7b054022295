# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/tea_caddy"

describe SheetTrace::Layout::Changes do
  changes = SheetTrace::Layout::Changes
  caddy = -> { Models.job(Demo::TeaCaddy.obj) }

  it "tells which islands moved, turned, changed size or were reflected, and by how much" do
    job = caddy.call
    after = operate(job, "transform_islands", islands: [1], move_px: [30, 40]).job
    after = operate(after, "transform_islands", islands: [2], turn_rad: 0.5, scale: [1.5, 1.5]).job
    after = operate(after, "reflect_islands", islands: [4]).job
    found = changes.call(job.layout, after.layout)

    assert_equal [1, 2, 4], found.map(&:island)
    assert_in_delta 50, found[0].moved_px, 1e-9
    assert_in_delta 0.5, found[1].turn_rad, 1e-9
    assert_in_delta 1.5, found[1].scale, 1e-9
    assert_equal [false, false, true], found.map(&:reflected)
    assert_empty changes.call(job.layout, job.layout)
  end

  it "tells islands that were cut anew" do
    job = caddy.call
    found = changes.call(job.layout, operate(job, "grow_net", island: 0).job.layout)

    assert_equal [true], found.map(&:cut_anew)
  end
end
