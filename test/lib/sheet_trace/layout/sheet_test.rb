# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Layout::Sheet do
  sheet = SheetTrace::Layout::Sheet

  it "has its origin at the top left in px and at the bottom left in UV" do
    size = sheet.new(width_px: 200, height_px: 100)

    assert_equal [[0, 0], [200, 100], [50, 75]], size.to_px(Numo::DFloat[[0, 1], [1, 0], [0.25, 0.25]]).to_a
    size.px_to_uv.apply(Numo::DFloat[[50, 75]]).to_a.first.each { |part| assert_in_delta 0.25, part, 1e-12 }
  end

  it "reads sizes as they are written, and refuses what is none by its side" do
    assert_equal [1024, 512], sheet.parse(" 1024x512 ").to_a
    assert_equal "640 x 480 px", sheet.parse("640×480").to_s
    ["", "1024", "ax5", "-4x100", "1e3x100", nil].each do |text|
      assert_refused(SheetTrace::InputError, { size: text }) { sheet.parse(text) }
    end
    { width_px: 15, height_px: 8193 }.each do |side, px|
      assert_refused(SheetTrace::InputError, { side => px }) do
        sheet.new(:width_px => 64, :height_px => 64, side => px)
      end
    end
    assert_equal 16_384, sheet.of_template(width_px: 16_384, height_px: 64).width_px
    assert_equal [8192, 32], sheet.of_template(width_px: 16_384, height_px: 64).for_a_job.to_a
    assert_refused(SheetTrace::InputError, { width_px: 16_385 }) { sheet.of_template(width_px: 16_385, height_px: 64) }
    assert_refused(SheetTrace::InputError, { height_px: 64.5 }) { sheet.new(width_px: 64, height_px: 64.5) }
  end
end
