# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"
require_relative "../../../../bench/surfaces"

describe "underlays, cells and landmarks of a job" do
  seed = Random.new_seed % 100_000
  random = Random.new(seed)
  cell = ->(name, x, y, width, height, **more) { { name: name, x: x, y: y, width: width, height: height, **more } }
  # The caddy on a sheet of 96 x 64, with cells of the picture.
  define_method(:templated) do
    job = operate(Demo.tea_caddy.job, "resize_sheet", width_px: 96, height_px: 64).job
    job = operate(job, "add_underlay", picture: "96x64", name: "template.png").job
    cells = [
      cell.call("front", 4, 8, 20, 30),
      cell.call("side", 30, 8, 13, 30),
      cell.call("lid", 60, 4, 8, 20),
      cell.call("blue", 80, 50, 8, 8, color: [20, 40, 200], flat: true),
      cell.call("red", 88, 50, 8, 8, color: [210, 30, 30], flat: true)
    ]
    operate(job, "set_cells", index: 0, cells: cells).job
  end

  it "keeps cells and their names for a picture of the same proportions, and for no other" do
    job = templated
    names = job.fit_setup.cells.map(&:name)
    twice = operate(job, "add_underlay", picture: "192x128", name: "larger.png")

    assert_match(/with the #{names.size} cells of the one before/, twice.sentence)
    assert_equal names, twice.job.fit_setup.cells.map(&:name)
    front = twice.job.fit_setup.cells.first

    assert_equal [8, 16, 40, 60], [front.x, front.y, front.width, front.height]
    assert_empty operate(job, "add_underlay", picture: "192x120").job.fit_setup.cells
    wide = operate(operate(job, "add_underlay", picture: "50x50").job, "add_underlay", picture: "49x49").job

    assert_empty wide.fit_setup.cells
  end

  it "keeps islands and the picture under them at their px where the sheet is made larger" do
    job = operate(Demo.tea_caddy.job, "resize_sheet", width_px: 96, height_px: 64).job
    job = operate(job, "add_underlay", picture: "48x32").job
    job = operate(job, "plan_sheet", reserved: [[2, 3, 10, 11]]).job
    job = operate(job, "set_landmarks", landmarks: [{ point: 0, to_px: [12, 34] }]).job
    after = operate(job, "resize_sheet", width_px: 128, height_px: 128, keep: "px", across: "end", down: "middle").job
    at = ->(state) { state.sheet.uv_to_px.apply(Numo::DFloat[state.fit_setup.landmarks[0].to]).to_a[0] }
    corner = ->(state) { state.fit_setup.underlay.to_sheet(state.sheet).to_a.map { |value| value.round(9) } }

    assert_in_delta 0, (after.layout.boxes_px - job.layout.boxes_px - Numo::DFloat[[32, 32, 32, 32]]).abs.max, 1e-9
    assert_equal corner.call(job).then { |a, b, c, d, e, f| [a, b, c + 32, d, e, f + 32] }, corner.call(after)
    assert_equal [[34, 35, 10, 11]], after.plan.reserved
    at.call(after).zip([44, 66]) { |got, px| assert_in_delta px, got, 1e-9 }
  end

  it "lays pictures under the islands, swaps, dims, locks and removes them, the map untouched" do
    job = Demo.tea_caddy.job
    laid = operate(job, "add_underlay", picture: "96x64", name: "template.png")

    assert_equal "template.png laid under the islands, 96 x 64 px, stretched down by 50 %", laid.sentence
    second = operate(laid.job, "add_underlay", picture: "512x512", name: "photo.jpg").job

    assert_equal 1, second.fit_setup.shown
    cut = operate(operate(second, "show_underlay", index: 0).job, "show_underlay", index: 1, how: "keep_scale")

    # One px of the template is 1024 / 96 px of the sheet across and 16 down: 512 px reach far beyond.
    assert_match(/at its own scale: 97\.66 % of it lies beside the sheet/, cut.sentence)
    assert_equal job.layout.points_px, cut.job.layout.points_px
    sized = operate(second, "show_underlay", index: 0, resize: true, keep: "uv")

    assert_equal [96, 64], sized.job.sheet.to_a
    assert_equal job.layout.points_uv, sized.job.layout.points_uv
    assert_match(/the sheet as large: islands are stretched along/, sized.sentence)
    shaped = operate(job, "add_underlay", picture: "96x64", resize: true, keep: "shape")

    assert_match(/the sheet as large: islands keep their shape/, shaped.sentence)
    job
      .measures
      .zip(shaped.job.measures) { |before, after| assert_in_delta before.stretch_worst, after.stretch_worst, 1e-9 }
    locked = operate(second, "change_underlay", index: 0, locked: true, opacity: 0.4).job
    assert_refused(SheetTrace::InvalidOperationError, message: /template\.png is locked/) do
      operate(locked, "remove_underlay", index: 0)
    end
    assert_equal ["photo.jpg", 0],
                 operate(second, "remove_underlay", index: 0).job.fit_setup.then { |fit_setup|
                   [fit_setup.underlay.name, fit_setup.shown]
                 }
    reference = operate(second, "change_underlay", index: 1, reference: true).job

    assert_nil reference.fit_setup.shown
    assert_refused(SheetTrace::InvalidOperationError, message: /only looked at/) do
      operate(reference, "show_underlay", index: 1)
    end
  end

  it "sets an island into a cell upright: inside, filling, covering, in true shape, inset" do
    job = templated
    front = operate(job, "set_into_cells", assignments: [{ islands: [0], cell: 0, way: "fill" }])

    assert_equal [4, 8, 24, 38], front.job.layout.boxes_px[0, true].to_a.map { |px| px.round(9) }
    assert_match(/Front set into front: /, front.sentence)
    # Front is 80 x 120 mm: in 20 x 30 px it goes exactly, with an inset of 2 px 16 px are left across.
    inside =
      operate(job, "set_into_cells", assignments: [{ islands: [0], cell: 0, way: "true_shape" }], inset_px: 2).job

    assert_equal [16.0, 24.0], inside.layout.size_px(0).map { |px| px.round(3) }
    cover = operate(job, "set_into_cells", assignments: [{ islands: [0], cell: 1, way: "cover", turn: "keep" }]).job

    assert_operator cover.layout.size_px(0).zip([13, 30]).map { |own, wanted| own - wanted }.min, :>=, -1e-9
    turned =
      operate(job, "set_into_cells", assignments: [{ islands: [0], cell: 0, way: "fill", turn_rad: Math::PI / 2 }]).job

    assert_in_delta Math::PI / 2, turned.measures[0].up_angle_rad, 1e-9
    mirrored =
      operate(front.job, "set_into_cells", assignments: [{ islands: [0], cell: 0, way: "fill", mirrored: true }]).job

    assert mirrored.measures[0].mirrored
    refute operate(mirrored, "set_into_cells", assignments: [{ islands: [0], cell: 0 }]).job.measures[0].mirrored
    assert_refused(SheetTrace::LayoutError, message: /leaves nothing of a cell of 8 x 20/) do
      operate(job, "set_into_cells", assignments: [{ islands: [0], cell: 2 }], inset_px: 4)
    end
  end

  it "keeps an island inside a cell that is no rectangle" do
    job =
      operate(
        operate(Demo.tea_caddy.job, "add_underlay", picture: "1024x1024", name: "round.png").job,
        "transform_islands",
        islands: [4],
        scale: [1, 1.6]
      ).job
    ring =
      Array.new(180) do |i|
        (Math::PI * i / 90).then { |turn| [500 + (200 * Math.cos(turn)), 500 + (200 * Math.sin(turn))] }
      end
    job = operate(job, "set_cells", index: 0, cells: [cell.call("plate", 300, 300, 400, 400, outline: ring)]).job
    set = operate(job, "set_into_cells", assignments: [{ islands: [4], cell: 0 }]).job

    # Top is 80 x 50 mm, now stretched to a square: in a circle of radius r its side is r times the root of 2.
    set.layout.size_px(4).each { |px| assert_in_delta 200 * Math.sqrt(2), px, 0.2 }
    true_shape = operate(job, "set_into_cells", assignments: [{ islands: [4], cell: 0, way: "true_shape" }]).job

    # In its own proportions its diagonal is the circle's: 400 px.
    assert_in_delta 400, Math.hypot(*true_shape.layout.size_px(4)), 0.3
  end

  it "sets the rest into one cell: all islands that were not set into one, wherever they lie" do
    job = operate(templated, "set_into_cells", assignments: [{ islands: [0], cell: 0 }]).job
    done = operate(job, "set_into_cells", assignments: [{ rest: true, cell: 3, together: false }])

    assert_match(/The other 5 islands set into blue/, done.sentence)
    homes =
      (0..5).map { |island| SheetTrace::Fit::IntoCell.home(done.job.layout, island, done.job.fit_setup.underlay).name }

    assert_equal ["front", *["blue"] * 5], homes
    # One that happens to lie in a cell is no less of the rest; what was set in stays so when it is cut anew.
    lying = operate(templated, "set_into_cells", assignments: [{ islands: [1], cell: 1 }]).job
    lying = lying.with(fit_setup: lying.fit_setup.with(assigned: []))

    assert_match(
      /The other 6 islands/,
      operate(lying, "set_into_cells", assignments: [{ rest: true, cell: 3 }]).sentence
    )
    plain = done.job.fit_setup.to_plain
    older = job.with(fit_setup: SheetTrace::Fit::Setup.from_plain(plain.except(:assigned)))

    # Of a document from before, those that lie in a cell count as set in.
    assert_match(
      /The other 5 islands/,
      operate(older, "set_into_cells", assignments: [{ rest: true, cell: 3 }]).sentence
    )
    joined = operate(job, "join_islands", edges: [0]).job

    assert_equal 1, joined.fit_setup.assigned.size
    assert_refused(SheetTrace::InvalidOperationError, message: /every island was set into a cell already/) do
      operate(done.job, "set_into_cells", assignments: [{ rest: true, cell: 3 }])
    end
  end

  it "sets several pieces at once, faces of islands detached first" do
    net = operate(templated, "join_islands", edges: [0]).job
    faces = net.layout.uv_map.island_faces.map(&:to_a)
    after =
      operate(
        net,
        "set_into_cells",
        assignments: [{ faces: [faces.flatten.first], cell: 3 }, { faces: faces.last, cell: 4, together: false }]
      ).job

    assert_equal net.layout.uv_map.island_count + 1, after.layout.uv_map.island_count
    island = after.layout.uv_map.face_islands[faces.flatten.first]

    assert_equal "blue", SheetTrace::Fit::IntoCell.home(after.layout, island, after.fit_setup.underlay).name
  end

  it "maps materials to the nearest colours, and makes them one" do
    colors = { "lacquer" => [0.8, 0.1, 0.1, 1.0], "card" => [0.1, 0.2, 0.7, 1.0] }
    job = templated
    materials =
      job.mesh.materials.each_with_index.map do |material, i|
        SheetTrace::Mesh::Material.new(name: material.name, color: colors.values[i % 2])
      end
    job = job.with(layout: job.layout.with_mesh(job.mesh.with(materials: materials)))
    mapped = operate(job, "map_palette", collapse: true)

    assert_equal ["template"], mapped.job.mesh.material_names
    wanted = job.mesh.face_materials.to_a.map { |material| %w[red blue][material % 2] }
    got =
      mapped.job.layout.uv_map.face_islands.to_a.map do |island|
        SheetTrace::Fit::IntoCell.home(mapped.job.layout, island, mapped.job.fit_setup.underlay).name
      end

    assert_equal wanted, got
    # Well inside: a quarter of 8 px is kept free.
    box = mapped.job.layout.boxes_px

    assert_operator box[true, 1].min, :>=, 52 - 1e-9
  end

  it "tells the distance of colours as CIE L*a*b* has it" do
    # sRGB red is L* 53.24, a* 80.09, b* 67.20 (D65): Lindbloom's calculator, from memory.
    assert_equal [53, 80, 67], SheetTrace::Fit::Palette.lab([1.0, 0.0, 0.0]).map(&:round)
    assert_equal [100, 0, 0], SheetTrace::Fit::Palette.lab([1.0, 1.0, 1.0]).map(&:round)
  end

  it "lays a part along a gradient, end colours met" do
    job = templated
    after = operate(job, "lay_along_gradient", islands: [0, 1], cell: 2, direction: [0, 1, 0], way: "down").job
    map = after.layout.uv_map
    points = [0, 1].flat_map { |island| map.island_points[island].to_a }
    heights = job.mesh.positions[map.point_vertices[points], 1]
    y = after.layout.points_px[points, 1]

    # The cell lies from 4 to 24: first px's middle 4.5, last one's 23.5; the lowest of the model takes the first.
    assert_in_delta 4.5, y[heights.min_index], 1e-9
    assert_in_delta 23.5, y[heights.max_index], 1e-9
    assert_operator after.layout.points_px[points, 0].min, :>=, 60.5 - 1e-9
    back = operate(job, "lay_along_gradient", islands: [0], cell: 2, direction: [0, 1, 0], reverse: true).job

    assert_in_delta 23.5, back.layout.points_px[map.island_points[0], 1].max, 1e-9
  end

  it "holds landmarks to corners or middles of pixels where that is said" do
    marks = [nil, "corners", "middles"].map { |hold| { point: 0, to_px: [12.6, 7.2], hold: hold } }
    set = operate(templated, "set_landmarks", landmarks: marks).job
    places = set.fit_setup.landmarks.map { |mark| set.sheet.uv_to_px.at(*mark.to).map { |px| px.round(6) } }

    assert_equal [[12.6, 7.2], [13.0, 7.0], [12.5, 7.5]], places
  end

  it "fits by landmarks, which stay with the surface, and tells what they are off by" do
    job = Demo.skiff.job
    island = job.island_names.index("hull Left")
    box = job.layout.boxes_px[island, true].to_a
    middle = job.layout.centre_px([island])
    marks =
      [[box[0], middle[1]], [box[2], middle[1]], [middle[0], box[1]]].map do |x, y|
        { island: island, at_px: [x, y], to_px: [(x * 0.9) + 20, (y * 0.9) + 400] }
      end
    set = operate(job, "set_landmarks", landmarks: marks)

    assert_equal "3 landmarks", set.sentence
    fitted = operate(set.job, "fit_landmarks", kind: "similarity")

    assert_match(/hull Left fitted by 3 landmarks \(similarity\): off by [\d.]+ px at the most/, fitted.sentence)
    assert_operator SheetTrace::Fit::FitLandmarks.residuals(fitted.job.layout, fitted.job.fit_setup.landmarks).max,
                    :<,
                    30
    soft = operate(set.job, "fit_landmarks", kind: "soft")

    assert_operator SheetTrace::Fit::FitLandmarks.residuals(soft.job.layout, soft.job.fit_setup.landmarks).max, :<, 0.1
    refute_match(/turned over/, soft.sentence)
    assert_refused(SheetTrace::InvalidOperationError, message: /3 landmarks; perspective takes 4/) do
      operate(set.job, "fit_landmarks", kind: "perspective")
    end
    finer = operate(set.job, "subdivide_faces", faces: (0...set.job.mesh.face_count).to_a).job
    places =
      [set.job, finer].map do |state|
        state.fit_setup.landmarks.map { |mark| mark.at(state.layout.uv_map, state.layout.points_px) }
      end

    # half the edges: each lies on another triangle now
    places.transpose.each { |before, now| before.zip(now) { |px, same| assert_in_delta px, same, 1e-6 } }
  end

  it "moves corners alone, to whole pixels (seed #{seed})" do
    job = templated
    points = job.layout.uv_map.island_points[0].to_a.sample(2, random: random)
    after = operate(job, "move_points", points: points, move_px: [1.3, -0.4], to: "corners").job
    whole =
      after.layout.points_px[after.layout.uv_map.island_points[0], true].to_a.count do |place|
        place.all? { |px| (px - px.round).abs < 1e-9 }
      end

    assert_equal 2, whole
    assert_equal job.layout.boxes_px[1, true], after.layout.boxes_px[1, true]
  end

  # Points of an island are numbered anew by each change: they go by the vertices that they are.
  points_of =
    lambda do |state, vertices, island = 0|
      own = state.layout.uv_map.island_points[island].to_a
      vertices.map { |vertex| own.find { |point| state.layout.uv_map.point_vertices[point] == vertex } }
    end
  places_of = ->(state, vertices) { state.layout.points_px[points_of.call(state, vertices), true] }

  it "scales and turns corners together about their middle, and leaves the others to the bit" do
    job = templated
    vertices = job.layout.uv_map.point_vertices[job.layout.uv_map.island_points[0]].to_a
    upper = vertices.sort_by { |vertex| places_of.call(job, [vertex])[0, 1] }.first(2)
    after = operate(job, "scale_points", points: points_of.call(job, upper), scale: [0.5, 1]).job
    width = ->(state) { places_of.call(state, upper)[true, 0].then { |x| x.max - x.min } }

    assert_in_delta width.call(job) / 2, width.call(after), 1e-9
    assert_equal places_of.call(job, vertices - upper), places_of.call(after, vertices - upper)
    turned = operate(job, "scale_points", points: points_of.call(job, vertices), turn_rad: Math::PI / 2).job
    size = ->(state) { state.measures[0].size_px.map { |px| px.round(6) } }

    assert_equal size.call(job).reverse, size.call(turned)
  end

  it "brings a bowed border onto a straight or a level line, its ends where they were (seed #{seed})" do
    job = Models.job(Bench::Surfaces.wavy_obj(6, pieces: 1))
    rows = job.layout.points_px[job.layout.uv_map.island_points[0], true].to_a
    top = rows.map(&:last).min
    row =
      job.layout.uv_map.island_points[0]
        .to_a
        .select { |point| (job.layout.points_px[point, 1] - top).abs < 1e-6 }
        .map { |point| job.layout.uv_map.point_vertices[point] }
    bowed =
      row.reduce(job) do |state, vertex|
        operate(state, "move_points", points: points_of.call(state, [vertex]), move_px: [0, random.rand(-6.0..6.0)]).job
      end
    off =
      lambda do |state|
        all = places_of.call(state, row).to_a
        (ax, ay), (bx, by) = all.combination(2).max_by { |(ax, ay), (bx, by)| Math.hypot(ax - bx, ay - by) }
        all.map { |x, y| (((bx - ax) * (y - ay)) - ((by - ay) * (x - ax))).abs / Math.hypot(bx - ax, by - ay) }.max
      end
    straight = operate(bowed, "straighten_points", points: points_of.call(bowed, row.shuffle(random: random)))

    assert_operator off.call(bowed), :>, 0.5
    assert_operator off.call(straight.job), :<, 1e-6
    assert_match(/#{row.size} corners brought onto a straight line, by [\d.]+ px at the most/, straight.sentence)
    level = operate(bowed, "straighten_points", points: points_of.call(bowed, row), onto: "level").job

    assert_in_delta 0, places_of.call(level, row)[true, 1].then { |y| y.max - y.min }, 1e-9
  end

  it "bends an island by a grid, its own corners by just as much as theirs" do
    job = Demo.skiff.job
    island = job.island_names.index("hull Right")
    box = job.layout.boxes_px[island, true].to_a
    # With one handle in each corner the cage is bilinear (Sederberg, Parry 1986): a place in the middle takes a
    # quarter of a corner's shift.
    middle = Numo::DFloat[[(box[0] + box[2]) / 2, (box[1] + box[3]) / 2]]
    bent = SheetTrace::Geometry::Cage.call(middle, box, columns: 2, rows: 2, shifts: [[40, 20], [0, 0], [0, 0], [0, 0]])

    assert_equal [10.0, 5.0], (bent - middle).to_a.first.map { |px| px.round(9) }
    done = operate(job, "bend_islands", islands: [island], shifts: [[0, 0], [0, -30], *[[0, 0]] * 7])

    assert_match(/hull Right bent by 30 px at a handle: mean stretch 1\.\d+ -> 1\.\d+/, done.sentence)
    # All handles moved alike: Bernstein polynomials add up to 1, so everything moves alike.
    moved = operate(job, "bend_islands", islands: [island], shifts: [[7, -3]] * 9).job

    moved.layout.boxes_px[island, true]
      .to_a
      .zip(box, [7, -3, 7, -3]) { |now, was, by| assert_in_delta was + by, now, 1e-6 }
  end

  # The picture has 96 x 64 px whatever the sheet has: on a sheet twice as wide and three times as high, a px of it is
  # 2 x 3 px.
  it "draws cells on whole px of the picture, whichever corners come first, under names that are free" do
    job = operate(templated, "resize_sheet", width_px: 192, height_px: 192).job
    [[[20.9, 30.2], [61.2, 59.0]], [[61.2, 30.2], [20.9, 59.0]]].each do |corners|
      drawn = operate(job, "draw_cell", index: 0, corners_px: corners)

      assert_equal [10, 10, 31, 20], drawn.job.fit_setup.cells.last.box
      assert_equal "template.png: Cell 6 drawn, 21 x 10 px", drawn.sentence
    end
    beyond = operate(job, "draw_cell", index: 0, corners_px: [[-50, -50], [4, 6]]).job.fit_setup.cells.last

    assert_equal [0, 0, 2, 2], beyond.box
    renamed = job.fit_setup.cells.map(&:to_h).tap { |cells| cells[0][:name] = "Cell 6" }
    job = operate(job, "set_cells", index: 0, cells: renamed).job

    assert_equal "Cell 7",
                 operate(job, "draw_cell", index: 0, corners_px: [[0, 0], [9, 9]]).job.fit_setup.cells.last.name
    assert_refused(SheetTrace::InvalidOperationError, message: /holds no px of template\.png/) do
      operate(job, "draw_cell", index: 0, corners_px: [[500, 10], [600, 90]])
    end
  end

  it "begins corrections with what was drawn, and what was corrected before" do
    job = operate(templated, "resize_sheet", width_px: 192, height_px: 192).job
    begun =
      lambda do |before, step, *places|
        after = operate(before, "add_correction", index: 0, step: step, places_px: places).job
        [after, after.fit_setup.underlay.recipe.last]
      end
    trimmed, trim = begun.call(job, "trim", [20, 30], [180, 180])

    assert_equal({ step: "trim", left: 10, top: 10, right: 6, bottom: 4 }, trim)
    # What is left, 80 x 50 px, is shown as large as the picture was.
    _, strip = begun.call(trimmed, "leave_out", [96, 0], [192, 19])

    assert_equal({ step: "leave_out", way: "down", from_px: 0, to_px: 5 }, strip)
    assert_equal "across", begun.call(job, "leave_out", [40, 0], [20, 192]).last[:way]
    corners = [[20, 30], [180.5, 30], [180, 150], [20, 150]]

    assert_equal [[10, 10], [90.3, 10], [90, 50], [10, 50]],
                 begun.call(job, "straighten", *corners).last[:corners].map { |place| place.map { |px| px.round(1) } }
    assert_in_delta(0.15, begun.call(job, "even_light").last[:radius])
    assert_equal(
      { step: "unroll", left_px: 0, right_px: 96, from_px: 5, to_px: 91, sag_px: 1 },
      begun.call(job, "unroll").last
    )
    assert_refused(SheetTrace::InvalidOperationError, message: /straighten takes 4 places; 1 are given/) do
      begun.call(job, "straighten", [1, 1])
    end
  end

  it "keeps everything of the fit_setup when a job is stored" do
    job = operate(templated, "set_landmarks", landmarks: [{ point: 0, to_px: [3, 4] }]).job
    job =
      operate(
        operate(job, "correct_underlay", index: 0, recipe: [{ step: "trim", left: 2 }]).job,
        "set_inset",
        inset_px: 1.5
      ).job
    stored = SheetTrace::Job::Snapshot.dump(job)
    again =
      SheetTrace::Job::Snapshot.load(
        JSON.parse(JSON.generate(stored.document), symbolize_names: true),
        stored.blobs.method(:fetch)
      ).job

    assert_equal job.fit_setup, again.fit_setup
    assert_equal [94, 64], again.fit_setup.underlay.size_px
    assert_empty again.fit_setup.cells # the corrected picture has other px
  end
end
