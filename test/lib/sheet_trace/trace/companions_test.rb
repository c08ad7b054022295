# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Trace::Companions do
  job = Models.job(Demo::TeaCaddy.obj)
  size = SheetTrace::Layout::Sheet.new(width_px: 256, height_px: 256)
  define_method(:picture) do |kind, of = job|
    SheetTrace::Trace::Companions.call(kind, of.layout, size: size, unit_mm: of.unit_mm, bleed_px: 2)
  end
  # The middle of an island, px.
  define_method(:middle) do |name|
    job.layout.boxes_px[job.island_names.index(name), true].to_a.then do |left, top, right, bottom|
      [((left + right) / 8).floor, ((top + bottom) / 8).floor]
    end
  end

  it "tells islands apart, what is covered, and the margin round them" do
    ids = job.island_names.map { |name| picture("ids").getpoint(*middle(name))[0] }

    assert_equal (1..6).to_a, ids
    covered = picture("coverage")

    assert_equal [255, 0], [covered.getpoint(*middle("Front"))[0], covered.getpoint(255, 255)[0]]
    # The panels' areas: 2 (80 x 120 + 50 x 120 + 80 x 50) mm2 at 1 px/mm.
    assert_in_delta 39_200, covered.avg * 256 * 256 / 255, 39_200 * 0.02
    margin = picture("bleed")

    assert_equal 0, (margin & covered).max
    assert_operator margin.avg, :>, 0
  end

  # The caddy is 80 x 120 x 50 mm about x = 0 and z = 0, from y = 0 up.
  it "has the place on the model and the way that it looks, in the model's axes" do
    at = ->(name) { picture("position").getpoint(*middle(name)).map { |level| level / 65_535.0 } }
    { "Front" => [0.5, 0.5, 1.0], "Left" => [0.0, 0.5, 0.5], "Top" => [0.5, 1.0, 0.5] }.each do |name, wanted|
      at.call(name).zip(wanted) { |got, own| assert_in_delta own, got, 0.011, name }
    end
    looks = ->(name) { picture("normal").getpoint(*middle(name)).map { |level| ((level / 65_535.0 * 2) - 1).round(3) } }

    assert_equal [[0.0, 0.0, 1.0], [1.0, 0.0, 0.0], [0.0, -1.0, 0.0]], %w[Front Right Bottom].map(&looks)
    assert_equal [36, 72, 108, 144, 180, 216],
                 %w[Front Back Left Right Top Bottom].map { |name| picture("facing").getpoint(*middle(name))[0] }
  end

  it "measures density beside the largest, and stretch from true shape on" do
    assert_equal [0.0, 65_535.0], [picture("stretch").max, picture("density").getpoint(*middle("Front"))[0]]
    wide = operate(job, "transform_islands", islands: [0], scale: [0.5, 1.0]).job
    stretched = picture("stretch", wide)

    assert_in_delta 65_535, stretched.max, 1
    assert_in_delta Math.sqrt(0.5) * 65_535, picture("density", wide).getpoint(*middle("Front"))[0], 60
    assert_raises(SheetTrace::InputError) { picture("smell") }
  end
end
