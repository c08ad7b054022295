# frozen_string_literal: true

require_relative "../../test_helper"
require_relative "../../../demo/tea_caddy"

# Each check has a made model that shows its fault, the clean tea caddy that does not, and, where there is a mend, the
# same model after it.
describe SheetTrace::Check do
  # The caddy with its back turned upright: nothing to mend.
  clean =
    lambda do
      job = Models.job(Demo::TeaCaddy.obj)
      SheetTrace::Operations.run(SheetTrace::Operations.from_h("turn_upright", { islands: [3] }), job).job
    end
  run =
    lambda do |job, name, **parameters|
      SheetTrace::Operations.run(
        SheetTrace::Operations.from_h(name, parameters),
        job,
        pictures: Models.method(:picture)
      ).job
    end
  move = ->(islands, **change) { -> { run.call(clean.call, "transform_islands", islands: islands, **change) } }
  lines = Demo::TeaCaddy.obj.lines(chomp: true)
  first_face = lines.index { |line| line.start_with?("f ") }
  changed = ->(at, line) { -> { Models.job(lines.dup.tap { |all| all[first_face + at] = line }.join("\n")) } }

  # A band of 12 sides of which one side, in the middle of it, lies elsewhere on the sheet.
  stray =
    lambda do
      band = Models.band(12).lines(chomp: true)
      at = band.index { |line| line.start_with?("f ") } + 11
      corners = band[at].scan(%r{(\d+)/(\d+)}).map { |pair| pair.map(&:to_i) }
      count = band.grep(/^vt/).size
      uvs =
        corners
          .map { |_vertex, uv| band.grep(/^vt/)[uv - 1].split.last(2).map(&:to_f) }
          .map { |u, v| "vt #{(u * 0.2) + 0.7} #{(v * 0.2) + 0.75}" }
      moved = "f #{corners.each_with_index.map { |(vertex, _), i| "#{vertex}/#{count + 1 + i}" }.join(" ")}"
      shrunk =
        band.map do |line|
          line.start_with?("vt") ? "vt #{line.split.last(2).map { |x| x.to_f * 0.6 }.join(" ")}" : line
        end
      Models.job([*shrunk[0...at], *uvs, moved].join("\n"))
    end

  # Two squares side by side whose common edge has vertices of its own on either side, UVs meeting.
  split =
    lambda do
      points = %w[0,0 1,0 1,1 0,1 1,0 2,0 2,1 1,1].map { |pair| "v #{pair.tr(",", " ")} 0" }
      uvs = %w[.1,.1 .4,.1 .4,.4 .1,.4 .7,.1 .7,.4].map { |pair| "vt #{pair.tr(",", " ")}" }
      Models.job([*points, *uvs, "f 1/1 2/2 3/3 4/4", "f 5/2 6/5 7/6 8/3"].join("\n"))
    end

  # Two parts on the same four vertices, and three faces at one edge.
  coat = -> { Models.job([*Models.panel.lines(chomp: true), "o coat", "f 1/1 2/2 3/3 4/4"].join("\n")) }
  crowd =
    lambda do
      Models.job(
        [*Models.panel.lines(chomp: true), "v 0 0 50", "v 0 0 -50", "f 1/1 4/4 5/2", "f 4/4 1/1 6/2"].join("\n")
      )
    end
  # A quadrilateral whose one triangle folds back over the other.
  fold = -> { Models.job(Models.panel(uvs: [[0.1, 0.1], [0.5, 0.1], [0.5, 0.5], [0.4, 0.15]])) }

  # code => the model with the fault, whether a mend is offered
  faults = {
    "faces_without_uvs" => [changed.call(2, "f 2 6 7 3"), true],
    "off_sheet" => [move.call([0], move_px: [-100, 0]), true],
    "overlap" => [move.call([1], move_px: [-150, 0]), true],
    "twins" => [-> { twins }, true],
    "shared_cells" => [-> { in_one_cell }, false],
    "fold_over" => [fold, false],
    "flat_on_sheet" => [changed.call(2, "f 2/9 6/9 7/9 3/9"), true],
    "stray_faces" => [stray, true],
    "mirrored" => [-> { run.call(clean.call, "reflect_islands", islands: [0]) }, true],
    "lettering_on_twins" => [-> { lettered_twins }, true],
    "cell_borders" => [-> { run.call(in_one_cell, "set_inset", inset_px: 6) }, true],
    "not_upright" => [-> { Models.job(Demo::TeaCaddy.obj) }, true],
    "gutter" => [move.call([1], move_px: [-20, 0]), true],
    "margin" => [-> { run.call(clean.call, "plan_sheet", margin_px: 64) }, true],
    "density" => [move.call([4], scale: [0.9, 0.9]), true],
    "stretch" => [move.call([4], scale: [0.9, 1]), true],
    "normals" => [changed.call(0, "f 4/4 3/3 2/2 1/1"), true],
    "crowded_edges" => [crowd, false],
    "same_place" => [coat, false],
    "duplicate_vertices" => [split, true],
    "flat_faces" => [-> { Models.job([*lines, "f 1/1 2/2 2/2"].join("\n")) }, false],
    "empty_parts" => [-> { Models.job(["o nothing", *lines].join("\n")) }, false]
  }

  # Two equal wheels, the second laid on the place of the first.
  define_method(:twins) do
    wheel = ->(x, number) do
      ["o wheel #{number}", *[[0, 0], [9, 0], [9, 9], [0, 9]].map { |a, b| "v #{a + x} #{b} 0" }]
    end
    faces = [0, 1].map { |i| "f #{(1..4).map { |k| "#{k + (4 * i)}/#{k + (4 * i)}" }.join(" ")}" }
    uvs = [0.1, 0.5].flat_map { |u| [[0, 0], [0.2, 0], [0.2, 0.2], [0, 0.2]].map { |a, b| "vt #{a + u} #{b + 0.1}" } }
    obj = [*uvs, *wheel.call(0, 1), faces[0], *wheel.call(30, 2), faces[1]].join("\n")
    run.call(Models.job(obj), "make_twins", parts: [0, 1])
  end

  # Front and lid in one cell of a picture, where they overlap on purpose.
  define_method(:in_one_cell) do
    job = run.call(clean.call, "add_underlay", picture: "64x64", name: "planks.png")
    job = run.call(job, "set_cells", index: 0, cells: [{ name: "planks", x: 40, y: 40, width: 20, height: 20 }])
    run.call(job, "set_into_cells", assignments: [{ islands: [0], cell: 0 }, { islands: [4], cell: 0 }])
  end

  # A label on the caddy's left side, which shares its place with the right one as its mirror image.
  define_method(:lettered_twins) do
    left, right = %w[Left Right].map { |name| clean.call.island_names.index(name) }
    labelled = run.call(clean.call, "place_picture", id: "l", picture: "20x20", name: "star", island: left)
    run.call(run.call(labelled, "stack_twins", islands: [left, right]), "reflect_islands", islands: [right])
  end

  found = ->(job, code) { job.findings.find { |finding| finding.code == code } }

  it "finds nothing to mend on a clean model" do
    assert_empty clean.call.findings.map { |finding| [finding.code, finding.message] }
  end

  it "has a made fault for every check" do
    codes = SheetTrace::Check::CHECKS.names.map { |name| { "overlaps" => "overlap" }.fetch(name, name) }

    assert_empty codes - faults.keys
  end

  faults.each do |code, (faulty, mendable)|
    it "finds #{code}#{", and not after its mend" if mendable}" do
      job = instance_exec(&faulty)
      finding = found.call(job, code)

      assert finding, "found only #{job.findings.map(&:code)}"
      assert_includes SheetTrace::Check::SEVERITIES, finding.severity
      refute_empty finding.places
      refute_empty finding.meaning
      assert_equal mendable, !finding.mend.nil?
      next unless mendable

      mended = operate(job, finding.mend.operation, **finding.mend.parameters)

      assert_nil found.call(mended.job, code), mended.sentence
      errors = ->(checked) { checked.findings.select { |other| other.severity == "error" }.map(&:code) }

      assert_empty errors.call(mended.job) - errors.call(job), "the mend brought a new fault"
    end
  end

  it "names places with their figures" do
    overlap = found.call(instance_exec(&faults["overlap"][0]), "overlap")

    # Front reaches from 24 to 344 px, Left from 218 to 418, both from 24 to 504: 126 x 480 texels.
    assert_equal [[0, 1], { texels: 126 * 480 }], overlap.places[0].then { |place| [place.islands, place.numbers] }
    gap = found.call(instance_exec(&faults["gutter"][0]), "gutter").places[0]

    assert_equal "Front and Left: 4.0 px", gap.text # 368 - 20 - 344
    density = found.call(instance_exec(&faults["density"][0]), "density").places[0]

    assert_equal "Top: 3.60 px/mm, -10 %", density.text
    assert_equal "Top: worst 1.111, mean 1.111",
                 found.call(instance_exec(&faults["stretch"][0]), "stretch").places[0].text
    assert_equal "Back: sideways, -90°",
                 found.call(instance_exec(&faults["not_upright"][0]), "not_upright").places[0].text
  end

  it "lets the limits follow the tag" do
    job = run.call(move.call([4], scale: [0.9, 1]).call, "tag_islands", islands: [4], tag: "plain")

    assert_nil found.call(job, "stretch")
    assert_nil found.call(job, "density")
    wide = run.call(job, "transform_islands", islands: [4], scale: [0.7, 1])

    assert_match(/beyond 1\.3, the limit of plain islands/, found.call(wide, "stretch").message)
  end

  it "makes all smaller where there is no room, and keeps proportions" do
    job = run.call(clean.call, "transform_islands", islands: (0..5).to_a, scale: [1.6, 1.6])
    crowded = run.call(job, "transform_islands", islands: [0], move_px: [0, 40])
    mended = run.call(crowded, "separate_islands", islands: [0, 1, 2, 3, 4, 5])
    densities = mended.measures.map(&:density_px_per_mm)

    assert_in_delta densities.min, densities.max, 1e-9
    assert_empty mended.findings.map(&:code) & %w[overlap off_sheet gutter]
  end

  it "looks at a sheet that is covered a hundred times without choking" do
    squares = Array.new(100) { |i| [[0, 0], [9, 0], [9, 9], [0, 9]].map { |x, y| "v #{x} #{y} #{i}" } }.flatten
    uvs = [[0, 0], [1, 0], [1, 1], [0, 1]].map { |u, v| "vt #{u} #{v}" }
    faces = Array.new(100) { |i| "f #{(1..4).map { |k| "#{(4 * i) + k}/#{k}" }.join(" ")}" }
    twins = found.call(Models.job([*squares, *uvs, *faces].join("\n"), width_px: 2048, height_px: 2048), "twins")

    assert_equal 100 * 99 / 2, twins.places.size
  end

  describe "islands on a palette of which no cells were found" do
    # Left half one colour, with the noise of compression; right half stripes.
    palette =
      lambda do
        columns = (0...64).map { |x| x < 32 ? [200, 80, 40, 255] : [(x % 2) * 90, 90, 90, 255] }
        rows = Array.new(64) { |y| columns.map { |r, g, b, a| [r + ((y * 7) % 5), g, b, a] } }
        Vips::Image.new_from_memory_copy(rows.flatten.pack("C*"), 64, 64, 4, :uchar).copy(interpretation: :srgb)
      end

    codes =
      lambda do |across|
        pictures = ->(_digest) { palette.call.write_to_buffer(".png") }
        job = run.call(clean.call, "add_underlay", picture: "64x64", name: "palette.png")
        middle = [job.sheet.width_px * across, job.sheet.height_px / 2]
        small = { islands: [0, 4], scale: [0.05, 0.05] }
        job = run.call(job, "transform_islands", **small)
        islands =
          [0, 4].each_with_index
            .reduce(job) do |state, (island, i)|
              left, top, right, bottom = state.layout.boxes_px[island, true].to_a
              to = [middle[0] + (i * 3) - ((left + right) / 2), middle[1] - ((top + bottom) / 2)]
              run.call(state, "transform_islands", islands: [island], move_px: to)
            end
        islands.findings(pictures: pictures).map(&:code) & %w[overlap shared_colour gutter]
      end

    it "finds no fault in islands that lie on each other on one colour" do
      assert_equal %w[shared_colour], codes.call(0.25)
    end

    it "finds a fault where the picture has several colours under them" do
      assert_equal %w[overlap gutter], codes.call(0.75)
    end
  end
end
