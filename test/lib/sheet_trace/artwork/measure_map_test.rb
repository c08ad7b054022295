# frozen_string_literal: true

require_relative "../../../test_helper"

describe SheetTrace::Artwork::MeasureMap do
  map = SheetTrace::Artwork::MeasureMap
  size = SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256)
  colors =
    lambda do |job, kind|
      image = map.call(kind, job.layout, unit_mm: job.unit_mm, size: size)
      (60..100).to_a.product([150, 151]).map { |x, y| image.getpoint(x, y).first(3).map(&:round) }.tally
    end

  # A cylinder wrapped to a square: stretch 2 pi r / h, here with chords of 64 sides.
  it "has the stretch of each triangle in closed form" do
    job = Models.job(Models.band(64))
    expected = 2 * 64 * 20 * Math.sin(Math::PI / 64) / 50

    map.values("stretch", job.layout, unit_mm: 1.0).to_a.each { |value| assert_in_delta expected, value, 1e-9 }
  end

  # A cone's side seen from above: along the slant it is shortened by sin of the half angle, around it is true. R 30,
  # r 20, h 10: slant
  # 10 sqrt 2, so the ratio is sqrt 2 in the limit of many sides.
  it "has the stretch of a cone seen from above" do
    n = 400
    ring =
      lambda do |radius, y|
        Array.new(n) { |i| [radius * Math.sin(2 * Math::PI * i / n), y, radius * Math.cos(2 * Math::PI * i / n)] }
      end
    points = ring.call(30, 0) + ring.call(20, 10)
    faces =
      Array.new(n) { |i| "f #{[i, (i + 1) % n, n + ((i + 1) % n), n + i].map { |k| "#{k + 1}/#{k + 1}" }.join(" ")}" }
    job =
      Models.job(
        [
          *points.map { |x, y, z| "v #{x} #{y} #{z}" },
          *points.map { |x, _y, z| "vt #{0.5 + (x / 80)} #{0.5 - (z / 80)}" },
          *faces
        ].join("\n")
      )

    map.values("stretch", job.layout, unit_mm: 1.0).to_a.each { |value| assert_in_delta Math.sqrt(2), value, 0.02 }
  end

  it "shows bands by colour and by hatching" do
    true_panel = colors.call(Models.job(Models.panel, width_px: 1000, height_px: 1000), "stretch")

    assert_equal [[0xee, 0xf3, 0xe6]], true_panel.keys
    wide = colors.call(Models.job(Models.panel, width_px: 2000, height_px: 500), "stretch") # stretch 4: the last band

    assert_equal [[0x7d, 0x24, 0x33], [0x5a, 0x1a, 0x25]].sort, wide.keys.sort
    # Lines of 2 px, one every 5.
    assert_in_delta 0.4, wide.fetch([0x5a, 0x1a, 0x25]).fdiv(wide.values.sum), 0.02
  end

  it "has density as a share of the median, whatever the unit" do
    two = [
      *Models.panel.lines(chomp: true),
      "v 0 0 90",
      "v 80 0 90",
      "v 80 120 90",
      "v 0 120 90",
      "vt 0.6 0.1",
      "vt 0.8 0.1",
      "vt 0.8 0.4",
      "vt 0.6 0.4",
      "f 5/5 6/6 7/7 8/8"
    ].join("\n")
    [1.0, 25.4].each do |unit|
      values = map.values("density", Models.job(two, unit_mm: unit).layout, unit_mm: unit).to_a

      assert_equal [1.0, 1.0, 0.5, 0.5], values.map { |value| value.round(9) }
    end
  end

  it "knows no other map" do
    assert_refused(SheetTrace::InputError, { kind: "mood" }) do
      map.values("mood", Models.job(Models.panel).layout, unit_mm: 1.0)
    end
  end
end
