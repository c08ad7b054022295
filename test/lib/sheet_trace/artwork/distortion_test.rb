# frozen_string_literal: true

require "test_helper"

describe "what is bent and pulled on an island" do
  distortion = ->(aspect, bend, pulls = [0.0] * 8) { SheetTrace::Artwork::Distortion.new(aspect, bend, pulls) }
  # Places inside, off their middles.
  inside = [0.07, 0.31, 0.5, 0.68, 0.93].repeated_permutation(2).to_a

  it "pulls corners as a picture of a flat panel is drawn in perspective" do
    pulls = [0.1, -0.2, 0.3, 0.15, -0.25, 0.1, 0.05, 0.3]
    own = distortion.call(1.7, 0.0, pulls)
    corners =
      [[0, 0], [1, 0], [1, 1], [0, 1]].zip(pulls.each_slice(2)).map { |corner, pull| corner.zip(pull).map(&:sum) }
    # Heckbert, "Fundamentals of Texture Mapping and Image Warping" (1989), 2.2.3: a square onto a quadrilateral.
    (x0, y0), (x1, y1), (x2, y2), (x3, y3) = corners
    dx1, dx2, sx = x1 - x2, x3 - x2, x0 - x1 + x2 - x3
    dy1, dy2, sy = y1 - y2, y3 - y2, y0 - y1 + y2 - y3
    det = (dx1 * dy2) - (dx2 * dy1)
    g = ((sx * dy2) - (dx2 * sy)) / det
    h = ((dx1 * sy) - (sx * dy1)) / det
    places =
      inside.map do |u, v|
        weight = (g * u) + (h * v) + 1
        [
          (((x1 - x0 + (g * x1)) * u) + ((x3 - x0 + (h * x3)) * v) + x0) / weight,
          (((y1 - y0 + (g * y1)) * u) + ((y3 - y0 + (h * y3)) * v) + y0) / weight
        ]
      end
    found = own.to_content(*places.transpose.map { |values| Numo::DFloat[*values] }).map(&:to_a).transpose

    found.zip(inside) { |got, wanted| got.zip(wanted) { |a, b| assert_in_delta b, a, 1e-9 } }
    own.corners.to_a.zip(corners) { |got, wanted| got.zip(wanted) { |a, b| assert_in_delta b, a, 1e-9 } }
  end

  it "bends along a circle on which the middle line keeps its length, up and down alike" do
    aspect = 3.0
    [1.1, -1.1].each do |bend|
      own = distortion.call(aspect, bend)
      radius = 1 / bend.abs # of widths
      places =
        inside.map do |u, v|
          up = (0.5 - v) / aspect * (bend <=> 0)
          angle = (u - 0.5) * bend.abs
          high = (((radius + up) * Math.cos(angle)) - radius) * (bend <=> 0)
          [0.5 + ((radius + up) * Math.sin(angle)), 0.5 - (high * aspect)]
        end
      found = own.to_content(*places.transpose.map { |values| Numo::DFloat[*values] }).map(&:to_a).transpose

      found.zip(inside) { |got, wanted| got.zip(wanted) { |a, b| assert_in_delta b, a, 1e-9 } }
    end
    middle = distortion.call(aspect, 1.1).outline.to_a

    assert_in_delta 0.5, middle.map(&:first).sum / middle.size, 1e-9
    assert_operator middle.map(&:last).min, :<, 0.0 + 1e-12
  end

  it "tells how fast it changes, as small steps do" do
    own = distortion.call(2.5, -0.9, [0.1, 0.0, 0.0, 0.2, -0.1, 0.1, 0.05, 0.0])
    x, y = inside.transpose.map { |values| Numo::DFloat[*values] }
    # A px is 0.01 across and 0.004 across and 0.02 down, turned.
    gradients = [[0.01, 0.004], [-0.006, 0.02]].map { |own_pair| own_pair.map { |value| (x * 0) + value } }
    shares, slopes = own.with_slopes(x, y, gradients)
    step = 1e-6
    right, below =
      [0, 1].map do |way|
        own
          .to_content(x + (gradients[0][way] * step), y + (gradients[1][way] * step))
          .zip(shares)
          .map { |after, before| (after - before) / step }
      end

    [0, 1].each do |axis|
      wanted = Numo::NMath.hypot(right[axis], below[axis])

      assert_operator (slopes[axis] - wanted).abs.max, :<, 1e-6
    end
  end

  # A sector of a ring: its area is its height times its middle line (Pappus), wherever it lies.
  it "covers as much of the surface bent as straight, on an island that is stretched and turned" do
    job = Models.job(Models.panel(uvs: [[0.3, 0.2], [0.7, 0.2], [0.7, 0.8], [0.3, 0.8]]))
    job = operate(job, "transform_islands", islands: [0], scale: [1.2, 0.6], turn_rad: Math::PI / 6).job
    job = operate(job, "set_bleed", bleed_px: 0).job
    areas =
      [0.0, 1.2, -2.0].map do |bend|
        state = operate(job, "place_picture", picture: "400x200", island: 0, width_mm: 44.0, turn_rad: 0.3).job
        id = state.artwork.layers.last.id
        state = operate(state, "change_layer", id: id, place: { bend_deg: bend * 180 / Math::PI }).job
        grey = Vips::Image.black(400, 200, bands: 3).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
        sheet = SheetTrace::Artwork::Compose.call(state.artwork, state.canvas(pictures: ->(_digest) { grey }))
        sheet.extract_band(3).avg
      end

    areas.drop(1).each { |area| assert_in_delta areas[0], area, areas[0] * 0.004 }
  end

  it "tells its border on the sheet and its distances from the edges with what is bent and pulled" do
    job = Models.job(Models.panel) # 80 x 120 mm
    job = operate(job, "place_picture", picture: "40x20", island: 0, width_mm: 40.0).job
    layer = job.artwork.layers.last
    facts = ->(own) { own.artwork.layers.last.then { |last| last.place.facts(own, last.content) } }

    assert_equal [20.0, 20.0, 50.0, 50.0], facts.call(job)[:edges_mm].map { |mm| mm.round(9) }
    pulled = operate(job, "change_layer", id: layer.id, place: { corners: [-0.1, 0, 0, 0, 0, 0.5, 0, 0] }).job

    assert_equal [16.0, 20.0, 50.0, 40.0], facts.call(pulled)[:edges_mm].map { |mm| mm.round(9) }
    bent = operate(job, "change_layer", id: layer.id, place: { bend_deg: 90 }).job
    radius = 40 / (Math::PI / 2)
    # The outer corners stand at the radius and half the height, turned by 45 degrees; the middle is highest.
    assert_in_delta 40 - ((radius + 10) * Math.sqrt(0.5)), facts.call(bent)[:edges_mm][0], 1e-6
    assert_in_delta 50, facts.call(bent)[:edges_mm][2], 1e-6
    assert_operator facts.call(bent)[:outline_px].size, :>, 40
  end

  it "refuses what would fold over itself, in words" do
    job = Models.job(Models.panel)
    job = operate(job, "place_picture", picture: "40x20", island: 0, width_mm: 40.0).job
    id = job.artwork.layers.last.id

    {
      { bend_deg: 300 } => /no length; at most 229 °/,
      { corners: [2, 0, 0, 0, 0, 0, 0, 0] } => /pulled over each other/,
      { corners: [0, 0, -1, 1, 0, 0, 0, 0] } => /pulled over each other/
    }.each do |place, message|
      assert_refused(SheetTrace::InvalidOperationError, message: message) do
        operate(job, "change_layer", id: id, place: place)
      end
    end
  end

  it "bends what an edition shows as far as that goes, where it is higher than what was bent" do
    job = operate(Models.job(Models.panel), "place_picture", picture: "40x10", island: 0, width_mm: 40.0).job
    id = job.artwork.layers.last.id
    job = operate(job, "change_layer", id: id, place: { bend_deg: 300 }).job
    job = operate(job, "add_edition", name: "High").job
    high =
      operate(job, "replace_in_edition", id: id, edition: "High", content: { kind: "picture", picture: "40x80" }).job
    layer = high.artwork.worn.last

    assert_operator layer.place.facts(high, layer.content)[:outline_px].flatten.map(&:abs).max, :<, 10_000
  end
end
