# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"

describe SheetTrace::Trace::Marks do
  words = SheetTrace::Drawing::Words
  define_method(:scene) do |job, *marks, side: 1024, **options|
    size = SheetTrace::Layout::Sheet.new(width_px: side, height_px: side)
    facts = SheetTrace::Trace::Facts.of_layout(job.layout, unit_mm: job.unit_mm).dup
    facts.names = job.island_names
    facts.title = "Caddy"
    SheetTrace::Trace::Template.call(job.layout, size: size, marks: marks, facts: facts, **options)
  end
  define_method(:written) { |drawing| drawing.items.grep(words) }
  # Corners of a line of text, px.
  define_method(:box) do |own|
    half = [words.width(own.text) * own.size_px / 2, words::CAP_HEIGHT * own.size_px / 2]
    [[-1, -1], [1, -1], [1, 1], [-1, 1]].map do |right, down|
      x, y = [half[0] * right, half[1] * down]
      [
        own.x + (x * Math.cos(own.turn_rad)) - (y * Math.sin(own.turn_rad)),
        own.y + (x * Math.sin(own.turn_rad)) + (y * Math.cos(own.turn_rad))
      ]
    end
  end
  # Fifteen blocks as limbs of a figure, each its own part, laid out by one click.
  figure =
    lambda do
      blocks = Array.new(15) { |i| [[(i % 5) * 40, (i / 5) * 50, 0], [10 + (i * 1.3), 30 - i, 8 + (i % 4)]] }
      job = operate(Models.job(Models.blocks(blocks, order: (0..5).to_a)), "lay_flat", by: "best").job
      operate(job, "pack").job
    end

  it "writes every name of the fifteen limbs once, wholly within its island, readable and on no other" do
    job = instance_exec(&figure)
    found = written(scene(job, "names"))

    assert_equal job.island_names.sort, found.map(&:text).sort
    assert_operator found.map(&:size_px).min, :>=, 6
    map = job.layout.uv_map
    found.each do |own|
      island = job.island_names.index(own.text)
      corners =
        job.layout.points_px[map.triangles.points[map.island_triangles[island], true].flatten, true].reshape(
          map.island_triangles[island].size,
          3,
          2
        ).to_a

      box(own).each do |place|
        assert corners.any? { |triangle| SheetTrace::Fit::IntoCell.within?(triangle, *place) },
               "#{own.text} leaves its island"
      end
    end
  end

  it "leads a line to names that have no room, which cover no island and not each other" do
    strips =
      (0...6).map do |i|
        [[0.05 + (i * 0.03), 0.1], [0.06 + (i * 0.03), 0.1], [0.06 + (i * 0.03), 0.9], [0.05 + (i * 0.03), 0.9]]
      end
    obj =
      strips
        .each_with_index
        .flat_map do |uvs, i|
          [
            "o strip#{i}",
            *uvs.map { |u, v| "v #{u * 100} #{v * 100} #{i}" },
            *uvs.map { |u, v| "vt #{u} #{v}" },
            "f #{(1..4).map { |k| "#{k + (4 * i)}/#{k + (4 * i)}" }.join(" ")}"
          ]
        end
        .join("\n")
    job = Models.job(obj, width_px: 256, height_px: 256)
    drawing = scene(job, "names", side: 256)
    found = written(drawing)
    spans = found.map { |own| box(own).transpose.map(&:minmax) }

    assert_equal 6, found.size
    spans.combination(2) do |a, b|
      refute a.zip(b).all? { |own, other| [own[1], other[1]].min > [own[0], other[0]].max + 0.01 }
    end
    assert_equal 6, drawing.groups.last.items.grep(SheetTrace::Drawing::Strokes).size
    strips.each do |uvs|
      strip =
        uvs
          .transpose
          .map(&:minmax)
          .zip([->(u) { u * 256 }, ->(v) { (1 - v) * 256 }])
          .map { |ends, px| ends.map(&px).sort }

      spans.each { |own| refute own.zip(strip).all? { |a, b| [a[1], b[1]].min > [a[0], b[0]].max + 0.01 } }
    end
  end

  it "points arrows to where up is on the model" do
    [0.0, 0.7, -2.0, 3.0].each do |turn|
      job = operate(Models.job(Models.panel), "transform_islands", islands: [0], turn_rad: turn).job
      x0, y0, x1, y1 = scene(job, "arrows").groups.last.items.first.segments.to_a.first
      found = Math.atan2(x1 - x0, y0 - y1)

      assert_in_delta 0, Math.atan2(Math.sin(found - turn), Math.cos(found - turn)), 1e-6
    end
  end

  it "letters panels, says on which side of the model they are, and what is next to each side" do
    job = Models.job(Demo::TeaCaddy.obj)

    assert_equal %w[A B C D E F], written(scene(job, "letters")).map(&:text).sort
    sided = written(scene(job, "names", "sides")).map(&:text)

    assert_equal %w[Back Bottom Front Left Right Top], sided.sort
    beside = written(scene(job, "neighbours")).map(&:text)

    # Each of the six faces has four neighbours.
    assert_equal %w[Back Bottom Front Left Right Top].to_h { |name| ["to #{name}", 4] }, beside.tally.sort.to_h
  end

  it "has millimetres of the model along the sides, to a px" do
    job = Models.job(Models.panel)
    drawing = scene(job, "rulers")
    numbers = written(drawing).select { |own| own.text.match?(/\A\d+\z/) }
    left, top, = job.layout.boxes_px[0, true].to_a
    bottom = job.layout.boxes_px[0, 3]
    scale = (job.layout.boxes_px[0, 2] - left) / 80

    numbers
      .partition { |own| own.y > bottom - 20 }
      .then do |across, up|
        across.each { |own| assert_in_delta left + (own.text.to_i * scale), own.x, 1 }
        up.each { |own| assert_in_delta bottom - (own.text.to_i * (bottom - top) / 120), own.y, 1 }

        assert_operator [across.size, up.size].min, :>=, 3
      end
  end

  it "draws the folds of a net, and the middles of islands" do
    net = operate(Models.job(Demo::TeaCaddy.obj), "lay_flat", by: "best").job

    assert_equal([5], scene(net, "folds").groups.last.items.map { |own| own.segments.shape[0] })
    # The panel's box: UV 0.1 to 0.5 and 0.1 to 0.7 of 1024 px.
    lines =
      scene(Models.job(Models.panel), "centres").groups.last.items.first.segments.to_a.map do |line|
        line.each_slice(2).sort.flatten.map { |px| px.round(1) }
      end

    assert_equal [[102.4, 614.4, 512.0, 614.4], [307.2, 307.2, 307.2, 921.6]], lines.sort
  end

  it "hatches places that are shared, and says where nothing must be lettered" do
    twins = operate(Models.job(Demo::TeaCaddy.obj), "stack_twins").job
    stacked = scene(twins, "twins", "names")

    assert_equal 3, stacked.items.grep(SheetTrace::Drawing::Area).count(&:hatch_px)
    over = SheetTrace::Trace::Facts.of_layout(twins.layout)
    over.measures[twins.island_names.index("Back")] = over.measures[twins.island_names.index("Back")].dup.tap do |own|
      own.mirrored = true
    end
    size = SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 512)
    drawing = SheetTrace::Trace::Template.call(twins.layout, size: size, facts: over, marks: %w[names twins])

    assert_equal 1, written(drawing).count { |own| own.text == "no lettering" }
  end

  it "has a title line in free room, and ticks of pixels on small sheets alone" do
    title = written(scene(Models.job(Demo::TeaCaddy.obj), "title")).first.text

    assert_match(/\ACaddy  1024 x 1024 px  [0-9A-Z]{4}-[0-9A-Z]{4}\z/, title)
    assert_equal 2 * (65 + 65),
                 scene(Models.job(Models.panel), "ticks", side: 64).groups.last.items.first.segments.shape[0]
    refute(scene(Models.job(Models.panel), "ticks", side: 1024).groups.any? { |group| group.name == "ticks" })
  end

  it "fills islands by a tint, their materials, or which way they look" do
    job = Models.job(Demo::TeaCaddy.obj)
    %w[tint materials facing].each do |fill|
      areas = scene(job, fill: fill).items.grep(SheetTrace::Drawing::Area)

      assert_equal 6, areas.size
    end
    assert_equal 6, scene(job, fill: "facing").items.grep(SheetTrace::Drawing::Area).map(&:color).uniq.size
  end

  it "has a code that stays with the layout, whatever its size, and changes with a move" do
    job = Models.job(Demo::TeaCaddy.obj)
    code = SheetTrace::Trace::Code.call(job.layout)
    larger = operate(job, "resize_sheet", width_px: 2048, height_px: 2048).job
    moved = operate(job, "transform_islands", islands: [2], move_px: [0.5, 0]).job

    assert_equal code, SheetTrace::Trace::Code.call(larger.layout)
    refute_equal code, SheetTrace::Trace::Code.call(moved.layout)
  end
end
