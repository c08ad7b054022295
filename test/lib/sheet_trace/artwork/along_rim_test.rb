# frozen_string_literal: true

require "test_helper"

# On a truncated cone all places of one height lie on one rim: handbooks of sheet metal develop it as a sector of a
# ring, slant s = sqrt(h^2 + (R - r)^2), its rims arcs of the radii R s / (R - r) and r s / (R - r).
describe "a label along the rim of a cone" do
  low = 45.0
  high = 20.0
  height = 90.0
  cone = ->(**more) { Models.cone(low: low, high: high, height: height, **more) }

  define_method(:labelled) do |job, **place|
    operate(
      job,
      "add_layer",
      id: "l",
      content: {
        kind: "fill",
        color: "#c85028"
      },
      place: {
        kind: "island",
        island: 0,
        along: "rim",
        **place
      }
    ).job
  end

  # Heights above the base, along the slant, and angles round, of the texels that are painted.
  define_method(:painted) do |job|
    sheet = SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: nil))
    alpha = Numo::UInt8.from_binary(sheet.extract_band(3).write_to_memory).reshape(sheet.height, sheet.width)
    rows = alpha.flatten.gt(127).where.to_a
    rows.map do |texel|
      y, x = texel.divmod(sheet.width)
      [
        ((1 - ((y + 0.5) / sheet.height)) - 0.05) / 0.9,
        ((((x + 0.5) / sheet.width) - 0.05) / 0.9 * 2 * Math::PI) - Math::PI
      ]
    end
  end

  it "has its lines on level lines all along, and its true width at its middle height" do
    job = operate(Models.job(cone.call, width_px: 1024, height_px: 512), "set_bleed", bleed_px: 0).job
    job = labelled(job, width_mm: 40.0)
    slant = Math.hypot(height, low - high)
    texels = painted(job)
    # A texel is 0.9 of the slant over 512.
    texel_mm = slant / (0.9 * 512)
    by_column = texels.group_by { |_, angle| angle }.values.select { |own| own.size > 3 }
    tops, bottoms = %i[max min].map { |which| by_column.map { |own| own.map(&:first).send(which) * slant } }

    assert_operator tops.max - tops.min, :<=, 2 * texel_mm
    assert_operator bottoms.max - bottoms.min, :<=, 2 * texel_mm
    assert_in_delta 40, tops.sum.fdiv(tops.size) - bottoms.sum.fdiv(bottoms.size), 2 * texel_mm
    place = job.artwork.layer("l").place
    facts = place.facts(job, job.artwork.layer("l").content)
    middle = (tops.sum.fdiv(tops.size) + bottoms.sum.fdiv(bottoms.size)) / 2
    radius = low - ((low - high) * middle / slant)
    own = texels.select { |share, _| ((share * slant) - middle).abs < texel_mm }.map { |_, angle| angle * radius }

    # Chords of the sides are a little shorter than the arcs over them.
    assert_in_delta 40, own.max - own.min, 40 * 0.015
    assert_in_delta 2 * Math::PI * radius, facts[:round_mm], 0.5
    # Wider towards the base, by the radii.
    radii = [1, -1].map { |side| low - ((low - high) * (middle + (side * 20)) / slant) }

    radii.zip(facts[:rim_widths_mm]) { |own_radius, width| assert_in_delta 40 * own_radius / radius, width, 0.2 }
  end

  it "is so too where the apex is below, and wraps all round exactly" do
    job = operate(Models.job(cone.call(turned: true), width_px: 1024, height_px: 512), "set_bleed", bleed_px: 0).job
    job = labelled(job, width_mm: 30.0)
    round = job.artwork.layer("l").place.facts(job, job.artwork.layer("l").content)[:round_mm]
    # A fill is as high as wide: all round it covers the band from rim to rim.
    whole = operate(job, "change_layer", id: "l", place: { width_mm: round }).job
    angles = painted(whole).map(&:last)

    assert_in_delta(-Math::PI, angles.min, 0.02)
    assert_in_delta Math::PI, angles.max, 0.02
  end

  it "refuses what is no band, in words" do
    assert_refused(SheetTrace::InvalidOperationError, message: /no axis|no band/) do
      labelled(Models.job(Models.panel), width_mm: 10)
    end
  end

  it "is straight on a cylinder, whose rims are straight" do
    job = operate(Models.job(Models.band(48)), "set_bleed", bleed_px: 0).job
    sheets =
      %w[rim straight].map do |along|
        labelled(job, width_mm: 20, along: along).then do |state|
          SheetTrace::Artwork::Compose.call(state.artwork, state.canvas(pictures: nil))
        end
      end

    assert_equal 0, (sheets[0] - sheets[1]).abs.max
  end
end
