# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Formats::Model do
  job = Models.job(Models.panel, width_px: 200, height_px: 120)
  written =
    lambda do |change, state = job|
      layout = state.layout.place([0], change)
      SheetTrace::Formats::Model.of_layout(layout).uv_sets.first.uvs.to_a.flatten
    end
  move = SheetTrace::Geometry::Affine.method(:move)

  it "writes UVs on whole pixels exactly" do
    # The panel lies from 20 to 100 px across and 36 to 108 px down of 200 x 120: at 0.1 and 0.5, and 0.1 and 0.7.
    turned = move.call(60, 72) * SheetTrace::Geometry::Affine.turn(2 * Math::PI / 3) * move.call(-60, -72)
    back = turned * turned * turned

    assert_equal [0.1, 0.5, 0.7], written.call(back).uniq.sort
    assert_equal [27 / 200.0, 107 / 200.0], written.call(move.call(7, 0)).each_slice(2).map(&:first).uniq.sort
  end

  it "writes no noise and no negative zero elsewhere" do
    texts = written.call(move.call(-20 + 1e-14, 0.3)).map(&:to_s)

    assert_empty(texts.grep(/e-|\A-0|\d{12,}/))
  end
end
