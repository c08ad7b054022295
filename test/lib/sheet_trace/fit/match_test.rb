# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"
require_relative "../../../loose_panels"
require "cairo"

describe SheetTrace::Fit::Match do
  propose =
    lambda do |job, islands = (0...job.layout.uv_map.island_count).to_a, **options|
      SheetTrace::Fit::Match.call(
        job.layout,
        islands,
        job.fit_setup.underlay,
        names: job.island_names,
        flat_map: job.method(:flat_map),
        **options
      )
    end
  png = Demo::Heron.pictures.values.first
  pixels = SheetTrace::Artwork::Picture.pixels(SheetTrace::Artwork::Picture.read(png))
  heron =
    lambda do
      reading = SheetTrace::Formats.read(Demo::Heron.obj, name: "heron.obj")
      SheetTrace::Job.start(
        reading,
        source_name: "heron.obj",
        sheet: SheetTrace::Layout::Sheet.new(width_px: 96, height_px: 64)
      )
    end
  # Three steps of the painter: the template laid under, its cells found, the match accepted.
  define_method(:fitted) do
    laid = operate(heron.call, "add_underlay", picture: "96x64", name: "heron-template.png").job
    found = operate(laid, "set_cells", index: 0, cells: SheetTrace::Fit::FindCells.call(pixels).map(&:to_h)).job
    operate(found, "set_into_cells", assignments: propose.call(found).flat_map(&:assignments)).job
  end

  it "brings the heron onto its template in three steps, every corner on a whole pixel" do
    job = fitted
    px = job.layout.points_px

    assert_operator (px - px.round).abs.max, :<, 1e-9
    assert_empty job.measures.select(&:mirrored)
    assert_equal [[3, 4], [7, 8], [9, 10]],
                 SheetTrace::Layout::Stacks.call(job.layout).select { |stack| stack.size > 1 }
  end

  it "has every face sample its own panel and nothing else: all 6144 px" do
    job = fitted
    map = job.layout.uv_map
    cells = job.fit_setup.cells
    texels = SheetTrace::Raster::TexelMap.call(job.layout.points_px, map.triangles.points, width_px: 96, height_px: 64)
    taken = texels.texels.to_a.zip(map.triangles.faces[texels.triangles].to_a)
    panels = Demo::Heron.panels.to_h { |name, *box| [box, name] }

    taken.each do |texel, face|
      row, column = texel.divmod(96)
      cell =
        cells.find do |entry|
          entry.x <= column && column < entry.x + entry.width && entry.y <= row && row < entry.y + entry.height
        end
      part = job.mesh.parts[job.mesh.face_parts[face]]
      side = %w[front top bottom back left right][face % 6]

      assert_equal "#{part.delete_suffix(" left").delete_suffix(" right")} #{side}",
                   panels[[cell.x, cell.y, cell.width, cell.height]],
                   "px #{column}, #{row}"
    end
    # All px of panels are sampled, and none beside them; twins share theirs.
    opaque = Demo::Heron.panels.sum { |_name, _x, _y, width, height| width * height }

    assert_equal opaque, taken.map(&:first).uniq.size
    assert_equal 6144, 96 * 64
  end

  it "sees no border between the panels of a net, and none where it fills them to the px" do
    job = fitted
    seen = SheetTrace::Fit::BorderWatch.call(job.layout, job.fit_setup.underlay, pixels)

    assert_equal 11, seen.size
    assert_operator seen.map { |entry| entry.inside_px.abs }.max, :<, 1e-6
    assert_empty seen.select { |entry| entry.rims[1].positive? }
    moved = operate(job, "transform_islands", islands: [0], move_px: [1.5, 0]).job
    body = SheetTrace::Fit::BorderWatch.call(moved.layout, moved.fit_setup.underlay, pixels).first

    assert_in_delta(-1.5, body.inside_px, 1e-6)
    assert_equal 1, body.rim_from
  end

  it "assigns single panels by proportions and size, turned where that fits" do
    job = operate(Demo.tea_caddy.job, "add_underlay", picture: "512x512", name: "net.png").job
    # Half as large as the caddy's sides, 80 x 120, 50 x 120 and 80 x 50 mm; the lid lies turned.
    boxes = { "a" => [10, 10, 50, 120], "b" => [100, 10, 80, 120], "c" => [200, 10, 50, 80] }
    job =
      operate(
        job,
        "set_cells",
        index: 0,
        cells: boxes.map { |name, (x, y, width, height)| { name: name, x: x, y: y, width: width, height: height } }
      ).job
    named = %w[Front Left Top].map { |name| job.island_names.index(name) }
    found =
      propose
        .call(job, named, by: "cells")
        .to_h do |entry|
          [
            job.island_names[entry.islands.first],
            [job.fit_setup.cells[entry.cells.first].name, entry.turn_rad.round(3)]
          ]
        end

    assert_equal({ "Front" => ["b", 0.0], "Left" => ["a", 0.0], "Top" => ["c", 1.571] }, found)
    assert_operator propose.call(job, named).map(&:confidence).min, :>, 0.7
  end

  it "goes by names where all is alike, and by what lies next to what" do
    job = operate(Demo.tea_caddy.job, "add_underlay", picture: "512x512", name: "net.png").job
    cells = [["back", 10], ["front", 200]].map { |name, x| { name: name, x: x, y: 10, width: 80, height: 120 } }
    named = operate(job, "set_cells", index: 0, cells: cells).job
    pairs = %w[Front Back].map { |name| job.island_names.index(name) }

    assert_equal(
      { "Front" => "front", "Back" => "back" },
      propose
        .call(named, pairs)
        .to_h { |entry| [job.island_names[entry.islands.first], named.fit_setup.cells[entry.cells.first].name] }
    )
    # A band: left, front, right; the front is the widest, its sides are alike but lie on either side of it.
    band =
      [["x", 10, 50], ["y", 60, 80], ["z", 140, 50]].map do |name, x, width|
        { name: name, x: x, y: 10, width: width, height: 120 }
      end
    sided = operate(job, "set_cells", index: 0, cells: band).job
    three = %w[Left Front Right].map { |name| job.island_names.index(name) }

    assert_equal(
      { "Left" => "x", "Front" => "y", "Right" => "z" },
      propose
        .call(sided, three, by: "cells")
        .to_h { |entry| [job.island_names[entry.islands.first], sided.fit_setup.cells[entry.cells.first].name] }
    )
  end

  # The caddy's net as a printer draws it: panels at 2 px/mm in lines of one px, the lid above the front, the bottom
  # below, sides and back beside it.
  it "puts the model's net onto a printed one as a single piece, its folds on the lines" do
    mm = {
      "Front" => [50, 50, 80, 120],
      "Left" => [0, 50, 50, 120],
      "Right" => [130, 50, 50, 120],
      "Back" => [180, 50, 80, 120],
      "Top" => [50, 0, 80, 50],
      "Bottom" => [50, 170, 80, 50]
    }
    panels =
      mm.transform_values do |box|
        box.map { |value| (2 * value).round }.then { |x, y, width, height| [x + 20, y + 30, width, height] }
      end
    surface = Cairo::ImageSurface.new(Cairo::FORMAT_ARGB32, 600, 512)
    context = Cairo::Context.new(surface)
    context.set_source_rgb(1, 1, 1)
    context.paint
    context.set_source_rgb(0.1, 0.1, 0.1)
    context.set_line_width(1)
    panels.each_value { |x, y, width, height| context.rectangle(x - 0.5, y - 0.5, width, height) }
    context.stroke
    surface.flush
    drawn = Numo::UInt8.from_binary(surface.data).reshape(512, 600, 4)[true, true, [2, 1, 0, 3]].dup
    job = operate(Demo.tea_caddy.job, "resize_sheet", width_px: 600, height_px: 512).job
    job = operate(job, "join_islands", edges: folds(job)).job

    assert_equal 1, job.layout.uv_map.island_count
    job = operate(job, "add_underlay", picture: "600x512", name: "printed.png").job
    job = operate(job, "set_cells", index: 0, cells: SheetTrace::Fit::FindCells.call(drawn).map(&:to_h)).job
    found = propose.call(job)

    assert_equal [[0], 6], [found.first.islands, found.first.cells.size]
    set = operate(job, "set_into_cells", assignments: found.flat_map(&:assignments)).job
    faces =
      Demo.tea_caddy.job.then do |caddy|
        caddy.island_names.zip(caddy.layout.uv_map.island_faces.map { |own| own[0] }).to_h
      end
    panels.each do |name, (x, y, width, height)|
      corners =
        set.layout.uv_map.corner_points[set.mesh.face_starts[faces[name]]...set.mesh.face_starts[faces[name] + 1]].to_a
      box = [0, 1].map { |axis| set.layout.points_px[corners, axis].minmax }

      # Within the line: its middle lies half a px before the panel.
      box.flatten.zip([x, x + width, y, y + height]) { |got, wanted| assert_in_delta wanted, got, 1.01, name }
    end
  end

  # Edges that the front shares with its four neighbours, and the right side with the back.
  def folds(job)
    faces = job.island_names.zip(job.layout.uv_map.island_faces.map { |own| own[0] }).to_h
    [%w[Front Left], %w[Front Right], %w[Front Top], %w[Front Bottom], %w[Right Back]].map do |pair|
      job.mesh.edge_faces.index { |own| own.sort == faces.values_at(*pair).sort }
    end
  end

  it "finds panels by their own sizes, however picture and sheet are stretched and cells are in order, and is sure" do
    random = Random.new(8)
    pairs =
      Array
        .new(5) { LoosePanels.new(random, [[40, 60], [40, 75], [90, 60], [120, 30]], lying: [3], off: 0.02).outcome }
        .flat_map(&:pairs)

    assert_equal [20, 20], [pairs.size, pairs.count(&:last)]
    assert_operator pairs.map(&:first).min, :>, 0.7
  end

  it "is as sure as chance has it where all is alike" do
    pairs = LoosePanels.new(Random.new(8), [[40, 60]] * 5).outcome.pairs

    assert_equal [0.2] * 5, pairs.map { |confidence, _right| confidence.round(1) }
  end

  it "says why it can't" do
    job = operate(Demo.tea_caddy.job, "add_underlay", picture: "512x512", name: "net.png").job
    assert_refused(SheetTrace::InputError, { cells: 0 }, message: /no cells; find them/) { propose.call(job) }
  end
end
