# frozen_string_literal: true

require_relative "../../../test_helper"
require "vips"

describe "pictures set on islands" do
  disc =
    lambda do |side|
      x = Numo::DFloat.new(side).seq - ((side - 1) / 2.0)
      inside = ((x.expand_dims(0)**2) + (x.expand_dims(1)**2)) < ((side * 0.4)**2)
      alpha = Numo::UInt8.cast(inside) * 255
      Vips::Image
        .new_from_memory_copy(alpha.to_binary, side, side, 1, :uchar)
        .then { |a| a.new_from_image([210, 60, 30]).bandjoin(a) }
        .cast(:uchar)
        .copy(interpretation: :srgb)
        .pngsave_buffer
    end
  plain =
    lambda do |color, width, height|
      (Vips::Image.black(width, height, bands: 3) + color).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    end
  labelled =
    lambda do |job, bytes, px, **place|
      operation =
        SheetTrace::Operations.from_h("place_picture", { picture: px.join("x"), name: "disc", island: 0, **place })
      job = SheetTrace::Operations.run(operation, job, pictures: Models.method(:picture)).job
      SheetTrace::Artwork::Compose.call(job.artwork, job.canvas(pictures: ->(_digest) { bytes }))
    end
  # An image's alpha at places in px, between the middles of texels as a renderer samples.
  sample =
    lambda do |image, points|
      alpha =
        Numo::DFloat.cast(Numo::UInt8.from_binary(image.extract_band(3).write_to_memory)).reshape(
          image.height,
          image.width
        )
      points.map do |px, py|
        x, y = [px - 0.5, py - 0.5]
        i, j = [x.floor, y.floor]
        fx, fy = [x - i, y - j]
        [
          [0, 0, (1 - fx) * (1 - fy)],
          [1, 0, fx * (1 - fy)],
          [0, 1, (1 - fx) * fy],
          [1, 1, fx * fy]
        ].sum { |dx, dy, weight| alpha[j + dy, i + dx] * weight }
      end
    end

  # A box of 80 x 120 x 50 mm: its net is 260 wide and 220 high, with its front in the second column.
  it "says how far what is set on a net is from its edges, and which panel it lies on, wherever that is put" do
    box = SheetTrace::Solids.build("box", { width_mm: 80.0, height_mm: 120.0, depth_mm: 50.0 })
    job = SheetTrace::Job::Start.call(box, source_name: "box").job
    net = operate(job, "lay_flat").job
    set =
      lambda do |x_mm, y_mm, turn_rad|
        place = { island: 0, width_mm: 20, x_mm: x_mm, y_mm: y_mm, turn_rad: turn_rad }
        change = operate(net, "place_picture", picture: "20x10", name: "mark", **place)
        layer = change.job.artwork.layers.last
        [change.sentence, layer.place.facts(change.job, layer.content)]
      end
    sentence, facts = set.call(-10, 20, Math::PI / 2)

    # On its end the label is 10 wide and 20 high: 130 - 10 - 5 from the left edge, 110 - 20 - 10 from the upper one.
    facts[:edges_mm].zip([115, 135, 80, 120]) { |got, mm| assert_in_delta mm, got, 1e-9 }
    panels = [-105, -40, 25, 90].map { |x| set.call(x, 0, 0)[1][:panel] }

    assert_equal %w[Back Front Left Right], panels.sort
    assert_includes sentence, "#{facts[:panel]} of Around"
  end

  it "lands a disc round and in its place on an island stretched 2 : 1 and turned by 30 degrees" do
    job = Models.job(Models.panel(uvs: [[0.3, 0.2], [0.7, 0.2], [0.7, 0.8], [0.3, 0.8]])) # 5.12 px/mm
    job = operate(job, "transform_islands", islands: [0], scale: [1.2, 0.6], turn_rad: Math::PI / 6).job

    assert_in_delta 2, job.measures[0].stretch_mean, 1e-6
    image = labelled.call(job, disc.call(500), [500, 500], width_mm: 50.0, x_mm: 5.0, y_mm: -8.0)

    # The panel's own UVs: from mm on it, measured from its lower left corner, to px.
    to_px =
      SheetTrace::Geometry::Affine.fit(
        Numo::DFloat[[0, 0], [80, 0], [80, 120], [0, 120]],
        job.layout.points_px[job.layout.uv_map.corner_points.to_a, true]
      )
    step = 0.2
    grid = (5..400).to_a.product((75..450).to_a).map { |i, j| [i * step, j * step] }.select { |x, _y| x < 79 }
    seen = Numo::DFloat.cast(sample.call(image, grid.map { |x, y| to_px.at(x, y) })) / 255
    x, y = [0, 1].map { |axis| Numo::DFloat.cast(grid.map { |point| point[axis] }) }
    total = seen.sum
    middle = [x, y].map { |values| (values * seen).sum / total }
    # A disc's spread is a quarter of its radius squared in each direction.
    widths = [x, y].zip(middle).map { |values, mean| 4 * Math.sqrt((((values - mean)**2) * seen).sum / total) }
    half_texel_mm = 0.5 / job.measures[0].density_px_per_mm

    assert_in_delta 1, widths[0] / widths[1], 0.01
    assert_in_delta 40, widths[0], 0.4 # 0.8 of 50 mm
    assert_operator Math.hypot(middle[0] - 45, middle[1] - 52), :<, half_texel_mm
  end

  it "leaves the colours of an opaque label as they are" do
    [[17, 200, 3], [255, 254, 1], [128, 128, 128]].each do |color|
      image = labelled.call(Models.job(Models.panel), plain.call(color, 40, 60), [40, 60])

      assert_equal [*color, 255], image.getpoint(300, 600)
    end
  end

  it "reads right on a mirrored island" do
    halves =
      Vips::Image
        .black(40, 60, bands: 3)
        .draw_rect([255, 0, 0], 0, 0, 20, 60, fill: true)
        .cast(:uchar)
        .copy(interpretation: :srgb)
        .pngsave_buffer
    mirrored = Models.job(Models.panel(uvs: [[0.5, 0.1], [0.1, 0.1], [0.1, 0.7], [0.5, 0.7]]))
    image = labelled.call(mirrored, halves, [40, 60])

    assert_equal [0, 0, 0, 255], image.getpoint(150, 600) # the sheet's left is the model's right
    assert_equal [255, 0, 0, 255], image.getpoint(450, 600)
  end

  it "turns clockwise as seen on the model" do
    halves =
      Vips::Image
        .black(60, 60, bands: 3)
        .draw_rect([255, 0, 0], 0, 0, 60, 30, fill: true)
        .cast(:uchar)
        .copy(interpretation: :srgb)
        .pngsave_buffer
    square = Models.job(Models.panel(width: 60, height: 60, uvs: [[0, 0], [1, 0], [1, 1], [0, 1]]))
    image = labelled.call(square, halves, [60, 60], turn_rad: Math::PI / 2)

    assert_equal [255, 0, 0, 255], image.getpoint(900, 512) # the red upper half now lies to the right
    assert_equal [0, 0, 0, 255], image.getpoint(100, 512)
  end

  it "bakes nothing for an island off the sheet" do
    away = operate(Models.job(Models.panel), "transform_islands", islands: [0], move_px: [5000, 0]).job
    image = labelled.call(away, plain.call([9, 9, 9], 40, 60), [40, 60])

    assert_equal 0, image.extract_band(3).max
  end

  it "tells the stretch that laying a bent island flat leaves under it" do
    ball = SheetTrace::Job.start(SheetTrace::Solids.build("ball", {}), source_name: "ball.obj")
    flat = Models.job(Models.panel)
    facts =
      [flat, ball].map do |job|
        job = operate(job, "place_picture", picture: "50x50", island: 0, width_mm: 20).job
        job.artwork.layers.last.then do |layer|
          layer.place.facts(job, layer.content).slice(:stretch_mean, :stretch_worst)
        end
      end

    assert_in_delta 1, facts[0][:stretch_worst], 1e-9
    assert_operator facts[1][:stretch_mean], :>, 1.0005
    assert_operator facts[1][:stretch_worst], :>=, facts[1][:stretch_mean]
  end
end
