# frozen_string_literal: true

require "test_helper"

describe SheetTrace::Artwork::Recolour do
  define_method(:image) do |colors|
    pixels = Numo::UInt8.cast(colors).reshape(colors.size, 4)
    SheetTrace::Artwork::Patch.image(pixels, colors.size, 1)
  end

  it "turns exactly one colour into another, leaves others to the byte, and alpha always" do
    before = [[200, 40, 30, 255], [200, 40, 30, 90], [20, 120, 60, 255], [255, 255, 255, 0]]
    after = SheetTrace::Artwork::Recolour.call(image(before), from: "#c8281e", to: "#1e50c8", within: 10.0)

    assert_equal [[30, 80, 200, 255], [30, 80, 200, 90], *before.last(2)], (0..3).map { |x| after.getpoint(x, 0) }
  end

  # Lightness of sRGB greys by CIE 015: L* = 116 cbrt(Y) - 16, Y from IEC 61966-2-1.
  it "keeps shades apart by as much lightness as they were" do
    lightness =
      lambda do |level|
        share = level / 255.0
        y = share <= 0.04045 ? share / 12.92 : (((share + 0.055) / 1.055)**2.4)
        (116 * Math.cbrt(y)) - 16
      end
    after =
      SheetTrace::Artwork::Recolour.call(
        image([[100, 100, 100, 255], [112, 112, 112, 255]]),
        from: "#646464",
        to: "#8c8c8c",
        within: 20.0
      )
    shades = [0, 1].map { |x| after.getpoint(x, 0)[0] }

    assert_equal 140, shades[0]
    assert_in_delta lightness.call(112) - lightness.call(100), lightness.call(shades[1]) - lightness.call(140), 0.4
  end

  it "goes along less the further off a colour is, down to nothing" do
    greys = (0..60).map { |i| [100 + i, 100 + i, 100 + i, 255] }
    after = SheetTrace::Artwork::Recolour.call(image(greys), from: "#646464", to: "#646496", within: 6.0)
    blue = greys.each_index.map { |x| after.getpoint(x, 0).then { |red, _, own| own - red } }

    assert_operator blue.first, :>, 40
    assert_equal [0] * 30, blue.last(30)
    assert(blue.each_cons(2).all? { |before, own| own <= before + 1 })
  end
end
