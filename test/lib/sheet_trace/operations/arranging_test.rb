# frozen_string_literal: true

require_relative "../../../test_helper"
require_relative "../../../../demo/build"
require_relative "../../../../bench/surfaces"

# What arranges islands beside each other: in line, in order, in a corner, on each other.
describe "arranging islands" do
  caddy = -> { Demo.tea_caddy.job }
  boxes = ->(job, *islands) { islands.map { |island| job.layout.boxes_px[island, true].to_a.map { |px| px.round(9) } } }
  seed = Random.new_seed % 100_000
  random = Random.new(seed)

  it "brings boxes into line, and spreads them with equal gaps" do
    job = caddy.call
    tops = boxes.call(operate(job, "align_islands", islands: [0, 1, 3], by: "bottom").job, 0, 1, 3).map(&:last)
    middles =
      boxes
        .call(operate(job, "align_islands", islands: [0, 3], by: "centre").job, 0, 3)
        .map { |left, _, right, _| (left + right) / 2 }
    spread = boxes.call(operate(job, "align_islands", islands: [2, 0, 1], by: "spread_across").job, 0, 1, 2)

    assert_equal [1], [tops.uniq.size]
    assert_equal 1, middles.uniq.size
    assert_in_delta spread[1][0] - spread[0][2], spread[2][0] - spread[1][2], 1e-6
    assert_equal boxes.call(job, 0, 2).map(&:first), spread.values_at(0, 2).map(&:first)
    assert_refused(SheetTrace::InvalidOperationError, message: /pick three or more/) do
      operate(job, "align_islands", islands: [0, 1], by: "spread_down")
    end
  end

  it "turns each about its own middle, all about a place, or about the common middle" do
    job = caddy.call
    middle = ->(state, island) { state.layout.centre_px([island]).map { |px| px.round(6) } }
    each = operate(job, "transform_islands", islands: [0, 1], turn_rad: 0.7, about: "each").job
    about = operate(job, "transform_islands", islands: [0, 1], turn_rad: Math::PI, about: [0, 0]).job

    [0, 1].each do |island|
      assert_equal middle.call(job, island), middle.call(each, island)
      assert_equal middle.call(job, island).map(&:-@), middle.call(about, island)
    end
    assert_refused(SheetTrace::InvalidOperationError, message: /about is "left"/) do
      operate(job, "transform_islands", islands: [0], about: "left")
    end
  end

  it "brings every corner back to the bit by four quarter turns, and leaves the other coordinate to the bit when one is scaled (seed #{seed})" do
    [512, 1024, 4096].each do |side|
      job = operate(Demo.skiff.job, "resize_sheet", width_px: side, height_px: side).job
      job =
        operate(
          job,
          "transform_islands",
          islands: [0],
          move_px: [random.rand(-300.0..300.0), random.rand(-300.0..300.0)],
          turn_rad: random.rand(-3.0..3.0)
        ).job
      [{ islands: [0, 2] }, { islands: [0, 2], about: "each" }, { islands: [1], about: [100.0, 50.0] }].each do |which|
        after =
          4.times.reduce(job) { |state, _| operate(state, "transform_islands", turn_rad: Math::PI / 2, **which).job }

        assert_equal job.layout.points_uv.to_binary, after.layout.points_uv.to_binary, "#{which} on #{side} px"
      end
      scaled = operate(job, "transform_islands", islands: [0], scale: [random.rand(0.2..3.0), 1]).job

      assert_equal job.layout.points_uv[true, 1].to_binary, scaled.layout.points_uv[true, 1].to_binary
    end
  end

  it "keeps all length ratios of a group that is scaled together (seed #{seed})" do
    job = caddy.call
    factor = random.rand(0.1..3.0)
    after = operate(job, "transform_islands", islands: [0, 2, 4], scale: [factor, factor]).job
    ratios =
      [job, after].map do |state|
          boxes.call(state, 0, 2, 4).map { |left, top, right, bottom| [right - left, bottom - top] }.flatten
        end
        .transpose

    ratios.each { |was, is| assert_in_delta factor, is / was, 1e-6 }
  end

  it "fits the whole set to the sheet, direction and proportions kept" do
    job =
      operate(caddy.call, "transform_islands", islands: [0, 1, 2, 3, 4, 5], move_px: [700, -900], scale: [0.3, 0.3]).job
    all = boxes.call(operate(job, "fit_to_sheet", margin_px: 12).job, *0..5).transpose

    assert_in_delta 12, [all[0].min, all[1].min].min, 1e-6
    assert_in_delta 1024 - 12, [all[2].max, all[3].max].max, 1e-6
  end

  # On the caddy the front and both sides, the back and the lid carry art; order of reading: Front, Back, Left, Right,
  # Top, Bottom.
  it "lays out in reading order, plain ones last" do
    job = operate(caddy.call, "tag_islands", islands: [0], tag: "plain").job
    after = operate(job, "arrange_islands", rule: "reading", margin_px: 10).job
    order =
      (0..5).sort_by { |island| after.layout.boxes_px[island, true].to_a.then { |left, top, *| [top.round, left] } }

    assert_equal %w[Back Left Right Top Bottom Front], after.island_names.values_at(*order)
    assert_operator after.layout.boxes_px[true, 0..1].min, :>=, 10 - 1e-9
    assert_empty after.findings.map(&:code) & %w[overlap gutter off_sheet]
  end

  it "packs in the order of reading: each comes after those before it, further down or further right" do
    job = operate(caddy.call, "tag_islands", islands: [0], tag: "plain").job
    after = operate(job, "pack", in_order: true, turn: "none").job
    order = SheetTrace::Layout::ReadingOrder.call(after.layout, after.tags, names: after.island_names).flatten
    corners = order.map { |island| after.layout.boxes_px[island, 0..1].to_a }

    assert_equal %w[Back Left Right Top Bottom Front], after.island_names.values_at(*order)
    assert_equal [0, 0], corners.first.map(&:round)
    assert_operator corners.last[1], :>, corners.first[1]
    assert_equal after.layout.placements,
                 operate(job, "pack", in_order: true, turn: "none", attempt: 3).job.layout.placements
  end

  it "lays out as a figure: what is left on the model lies left, the lid over the front" do
    after = operate(caddy.call, "arrange_islands", rule: "figure").job
    middle = after.island_names.zip((0..5).map { |island| after.layout.centre_px([island]) }).to_h

    assert_operator middle["Left"][0], :<, middle["Right"][0]
    assert_operator middle["Top"][1], :<, middle["Bottom"][1]
    assert_empty after.findings.map(&:code) & %w[overlap off_sheet]
  end

  # A figure of 15 limbs, each a net: pairs of arms, hands, legs, feet and ears, and what is in the middle.
  it "lays a figure of 15 limbs out as it stands: every pair in order across and down, pairs at one height" do
    limbs = [
      [[0, 100, 0], [30, 40, 18]],
      [[0, 130, 0], [10, 8, 10]],
      [[0, 150, 2], [24, 24, 24]],
      [[0, 172, 0], [20, 6, 20]],
      [[0, 146, 18], [4, 4, 8]],
      [[-24, 108, 0], [10, 30, 10]],
      [[24, 108, 0], [10, 30, 10]],
      [[-24, 84, 0], [8, 8, 8]],
      [[24, 84, 0], [8, 8, 8]],
      [[-9, 55, 0], [12, 44, 12]],
      [[9, 55, 0], [12, 44, 12]],
      [[-9, 28, 6], [12, 8, 22]],
      [[9, 28, 6], [12, 8, 22]],
      [[-14, 158, 0], [3, 8, 6]],
      [[14, 158, 0], [3, 8, 6]]
    ]
    2.times do |round|
      order = (0...15).to_a.shuffle(random: Random.new(round))
      job = operate(Models.job(Models.blocks(limbs.values_at(*order))), "lay_flat").job
      after = operate(job, "arrange_islands", rule: "figure").job
      model =
        (0...15).map { |island| limbs[order[after.mesh.face_parts[after.layout.uv_map.island_faces[island][0]]]][0] }
      sheet = (0...15).map { |island| after.layout.centre_px([island]).map { |px| px.round(3) } }

      (0...15)
        .to_a
        .combination(2) do |a, b|
          assert_equal model[a][0] <=> model[b][0], sheet[a][0] <=> sheet[b][0]
          assert_equal model[b][1] <=> model[a][1], sheet[a][1] <=> sheet[b][1]
        end
      assert_empty after.findings.map(&:code) & %w[overlap off_sheet gutter not_upright density]
    end
  end

  it "parks islands small in a corner, tagged plain, and makes room there" do
    job = caddy.call
    after = operate(job, "park_islands", islands: [3, 5], corner: "bottom_right", share: 0.02).job
    patch = Math.sqrt(0.02) * 1024

    boxes
      .call(after, 3, 5)
      .each do |left, top, right, bottom|
        assert_operator [left, top].min, :>=, 1024 - patch - 1
        assert_operator [right, bottom].max, :<=, 1024
      end
    assert_equal %w[plain plain], after.tags.values_at(3, 5)
    assert_empty after.findings.map(&:code) & %w[overlap off_sheet]
  end

  it "lays islands beside the sheet as they are, and brings them in one by one" do
    job = caddy.call
    aside = operate(job, "set_aside", islands: [0, 1, 3]).job
    sizes = ->(state) { state.measures.map { |measure| measure.size_px.map { |px| px.round(6) } } }

    assert_equal sizes.call(job), sizes.call(aside)
    assert_operator boxes.call(aside, 0, 1, 3).map(&:first).min, :>, 1024
    assert_equal boxes.call(job, 2, 4, 5), boxes.call(aside, 2, 4, 5)
    back = operate(aside, "bring_onto_sheet", islands: [1]).job

    assert_operator boxes.call(back, 1)[0][2], :<=, 1024
    assert_empty back.subject.overlaps
  end

  # On 64 x 32 px a square of px is half as wide as high in UV.
  it "keeps px lengths when it turns on a sheet that is not square" do
    job =
      operate(
        Models.job(Models.panel(uvs: [[0.1, 0.1], [0.35, 0.1], [0.35, 0.6], [0.1, 0.6]])),
        "resize_sheet",
        width_px: 64,
        height_px: 32
      ).job
    turned = operate(job, "transform_islands", islands: [0], turn_rad: Math::PI / 2).job
    uv =
      lambda do |state|
        state.layout.points_uv.then { |uvs| (uvs.max(axis: 0) - uvs.min(axis: 0)).to_a.map { |side| side.round(9) } }
      end

    assert_equal [16, 16], job.measures[0].size_px.map { |px| px.round(9) }
    assert_equal [0.25, 0.5], uv.call(job)
    assert_equal [[16, 16], [0.25, 0.5]], [turned.measures[0].size_px.map { |px| px.round(9) }, uv.call(turned)]
  end

  # Front and back of the caddy are 80 x 120 mm, its sides 50 x 120, lid and base 80 x 50.
  it "stacks twins point by point, and unstacks them" do
    job = caddy.call
    stacked = operate(job, "stack_twins")

    assert_equal "Stacked 1 island on Front; 1 island on Left; 1 island on Top", stacked.sentence
    assert_equal boxes.call(stacked.job, 0), boxes.call(stacked.job, 3)
    assert_equal [[0, 3], [1, 2], [4, 5]], SheetTrace::Layout::Stacks.call(stacked.job.layout)
    apart = operate(stacked.job, "separate_islands", islands: [2, 3, 5]).job

    assert_equal 6, SheetTrace::Layout::Stacks.call(apart.layout).size
    assert_refused(SheetTrace::InvalidOperationError, message: /no two of these islands are alike/) do
      operate(job, "stack_twins", islands: [0, 1])
    end
  end

  # The caddy's front stands 24 px from the border and 8 px or more from its neighbours; its lid has room below.
  it "lays islands out in an order of one's own, the others after them, and uses the sheet" do
    job = caddy.call
    after = operate(job, "arrange_islands", order: [5, 2]).job
    first = (0...6).sort_by { |island| after.layout.boxes_px[island, true].to_a.then { |x, y,| [y.round, x.round] } }

    assert_equal [5, 2, 0], first.first(3)
    assert_operator after.layout.boxes_px[true, 3].max, :>, 0.85 * job.sheet.height_px
  end

  it "scales islands to the room there is, to the gutter and the margin" do
    job = operate(caddy.call, "plan_sheet", margin_px: 6).job
    job = operate(job, "set_gutter", gutter_px: 10).job
    alone = operate(job, "set_aside", islands: [1, 2, 3, 4, 5]).job
    grown =
      operate(operate(alone, "place_island", island: 0, x_px: 512, y_px: 512).job, "scale_to_room", islands: [0]).job

    assert_in_delta 6, grown.layout.boxes_px[0, true].to_a.min, 0.05
    small = operate(job, "match_density", islands: [4, 5], density_px_per_mm: 1).job
    both = operate(small, "scale_to_room", islands: [4, 5]).job
    gaps = [4, 5].map { |island| SheetTrace::Layout::Clearance.call(both.layout, [island]).gap_px }

    assert_in_delta 10, gaps.min, 0.02
    assert_in_delta both.measures[4].density_px_per_mm, both.measures[5].density_px_per_mm, 1e-6
    assert_refused(SheetTrace::InvalidOperationError, message: /no room where Left lies/) do
      operate(operate(job, "place_island", island: 1, x_px: 200, y_px: 300).job, "scale_to_room", islands: [1])
    end
  end

  it "never packs islands smaller than they lie, where they lie well; free turns turn what carries art too" do
    job = operate(caddy.call, "set_gutter", gutter_px: 4).job
    best = operate(job, "pack").job
    again = operate(best, "pack", margin_px: 0, attempt: 3)

    assert_operator again.job.density_px_per_mm, :>=, best.density_px_per_mm
    assert_match(/6 islands packed as they lay, as no packing came out larger/, again.sentence)
    free = operate(job, "pack", turn: "free").job

    refute(free.measures.all? { |measure| measure.up_angle_rad.abs < 1e-9 })
  end

  it "takes twins along when the island they lie on is moved, turned, typed, aligned or put by a corner" do
    job = operate(caddy.call, "stack_twins").job
    point = job.layout.uv_map.island_points[0][1]
    {
      "transform_islands" => {
        islands: [0],
        move_px: [30, 9],
        turn_rad: 0.3,
        about: "each"
      },
      "place_island" => {
        island: 3,
        x_px: 700
      },
      "align_islands" => {
        islands: [0, 1],
        by: "bottom"
      },
      "place_corner" => {
        point: point,
        x_px: 500
      }
    }.each do |name, parameters|
      after = operate(job, name, **parameters).job

      assert_equal SheetTrace::Layout::Stacks.call(job.layout), SheetTrace::Layout::Stacks.call(after.layout), name
      refute_equal boxes.call(job, 3), boxes.call(after, 3) unless name == "align_islands"
    end
  end

  it "lets twins change places, point by point" do
    job = caddy.call
    after = operate(job, "exchange_twins", islands: [0, 3]).job

    assert_equal boxes.call(job, 0, 3), boxes.call(after, 3, 0)
    assert_refused(SheetTrace::InvalidOperationError, message: /not of one shape/) do
      operate(job, "exchange_twins", islands: [0, 1])
    end
  end

  # The number lies in the middle of the hull, 40 mm wide on 432; so the cut passes beside it.
  it "splits a long island across where no art is cut" do
    job = Demo.skiff.job
    split = operate(job, "split_island", island: 0)
    art = SheetTrace::Job::ArtFaces.call(job)
    cut =
      SheetTrace::Flatten::Seams.of_map(split.job.layout.uv_map) & ~SheetTrace::Flatten::Seams.of_map(job.layout.uv_map)
    beside = cut.where.to_a.flat_map { |edge| job.mesh.edge_faces[edge] }

    assert_equal "hull Right split into 2 pieces", split.sentence
    assert_equal 16, beside.uniq.size # 8 faces from keel to gunwale, on either side
    assert_empty beside & art
    assert_empty split.job.findings.map(&:code) & %w[overlap off_sheet]
  end

  # With half of the area gone, all may grow by the root of 2 at the most (1.414).
  it "frees half of the sheet where all halves are stacked: 1.35 times the density after packing" do
    halves =
      Array.new(5) do |i|
        shape = [[0, 0], [30, 0], [30, 10 + i], [12, 10 + i], [12, 34 - i], [0, 34 - i]]
        [shape.map { |x, y| [x + 5 + (i * 100), y] }, shape.reverse.map { |x, y| [-x - 5 - (i * 100), y] }]
      end
    job =
      SheetTrace::Job.start(
        SheetTrace::Formats.read(Bench::Surfaces.flat(halves.flatten(1)), name: "halves.obj"),
        source_name: "halves",
        sheet: SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 512)
      )
    stacked = operate(job, "stack_twins").job

    assert_equal 5, SheetTrace::Layout::Stacks.call(stacked.layout).size
    assert_equal 5, stacked.measures.count(&:mirrored)
    densities =
      [job, stacked].map do |spread|
        (0...2)
          .map do |attempt|
            operate(spread, "pack", gutter_px: 2, upright: false, attempt: attempt).job.density_px_per_mm
          end
          .max
      end

    assert_operator densities[1] / densities[0], :>=, 1.35
  end

  it "equalises density by area on the model, times weights that are kept" do
    job = operate(caddy.call, "transform_islands", islands: [0], scale: [1.5, 1.5]).job
    weighed = operate(job, "weigh_islands", islands: [1, 4], weight: 2).job
    after = operate(weighed, "equalise").job
    beside =
      after.measures.each_with_index.map { |measure, island| measure.density_px_per_mm / after.plan.weight(island) }

    beside.each { |density| assert_in_delta beside[0], density, 1e-6 }
    assert_equal({ 1 => 2.0, 4 => 2.0 }, after.plan.weights)
    assert_empty after.findings.map(&:code) & %w[density]
    packed = operate(after, "pack").job

    assert_in_delta 2, packed.measures[1].density_px_per_mm / packed.measures[0].density_px_per_mm, 1e-6
  end

  it "goes round locked islands and reserved room" do
    job =
      operate(
        operate(caddy.call, "lock_islands", islands: [0]).job,
        "plan_sheet",
        margin_px: 20,
        reserved: [[600, 600, 424, 424]]
      ).job
    after = operate(job, "pack").job

    assert_equal boxes.call(job, 0), boxes.call(after, 0)
    boxes
      .call(after, *1..5)
      .each do |left, top, right, bottom|
        assert(right <= 600 + 1e-6 || bottom <= 600 + 1e-6)
        assert_operator [left, top].min, :>=, 20 - 1e-6
      end
    assert_refused(SheetTrace::InvalidOperationError, message: /all islands are locked/) do
      operate(operate(job, "lock_islands", islands: [1, 2, 3, 4, 5]).job, "pack")
    end
  end

  it "puts a corner where it is said to go, with its island or alone" do
    job = caddy.call
    map = job.layout.uv_map
    point = map.island_points[1][0]
    moved = operate(job, "place_corner", point: point, x_px: 512.5, y_px: 96).job
    bent = operate(job, "place_corner", point: point, x_px: 512.5, alone: true).job
    other = job.layout.points_px[point, true].to_a[1]

    assert_equal [512.5, 96], moved.layout.points_px[point, true].to_a.map { |px| px.round(9) }
    by_uv = operate(job, "place_corner", point: point, u: 0.25, v: 0.75).job # v runs up

    assert_equal [256, 256], by_uv.layout.points_px[point, true].to_a.map { |px| px.round(9) }
    assert_equal(*[job, moved].map { |state| state.measures[1].size_px.map { |px| px.round(9) } })
    corner, *others =
      (0...map.mesh.corner_count)
        .select { |candidate| map.face_islands[map.mesh.corner_faces[candidate]] == 1 }
        .sort_by { |candidate| map.corner_points[candidate] == point ? 0 : 1 }

    assert_equal [512.5, other.round(9)],
                 bent.sheet.to_px(bent.layout.corner_uvs)[corner, true].to_a.map { |px| px.round(9) }
    assert_equal job.layout.corner_uvs[others, true], bent.layout.corner_uvs[others, true]
  end

  # A box of 10 in a closed box of 30: of the outer one all is seen, of the inner one nothing.
  it "weighs islands by what is seen of them" do
    cube =
      lambda do |half, first|
        corners = [-1, 1].product([-1, 1], [-1, 1]).map { |place| "v #{place.map { |at| at * half }.join(" ")}" }
        faces =
          [[1, 2, 4, 3], [5, 7, 8, 6], [1, 5, 6, 2], [3, 4, 8, 7], [1, 3, 7, 5], [2, 6, 8, 4]].map do |face|
            "f #{face.map { |corner| corner + first }.join(" ")}"
          end
        [corners, faces]
      end
    outer, inner = [cube.call(15, 0), cube.call(5, 8)]
    job = Models.job([*outer[0], *inner[0], *outer[1], *inner[1]].join("\n"))
    job = operate(job, "lay_flat", by: "square_on", seams: "all").job
    weighed = operate(job, "weigh_by_visibility", limit: 4).job

    assert_equal [1.0] * 6, (0..5).map { |island| weighed.plan.weight(island) }
    assert_equal [0.25] * 6, (6..11).map { |island| weighed.plan.weight(island) }
  end

  # On a sheet of 32 x 32 px, UVs of pixel corners are k / 32, those of middles (k + 0.5) / 32.
  it "brings corners to whole pixels, by point, by box and by place" do
    job =
      operate(
        Models.job(Models.panel(uvs: [[0.13, 0.21], [0.72, 0.2], [0.7, 0.81], [0.12, 0.8]])),
        "resize_sheet",
        width_px: 32,
        height_px: 32
      ).job
    { "corners" => 0.0, "middles" => 0.5 }.each do |to, offset|
      uvs = operate(job, "snap_to_pixels", islands: [0], to: to).job.layout.corner_uvs.to_a.flatten
      sides = boxes.call(operate(job, "snap_to_pixels", islands: [0], what: "box", to: to).job, 0).flatten

      uvs.each { |uv| assert_in_delta 0, (((uv * 32) - offset).round - ((uv * 32) - offset)), 1e-12 }
      sides.each { |px| assert_in_delta (px - offset).round, px - offset, 1e-9 }
    end
    placed = operate(job, "snap_to_pixels", islands: [0], what: "place").job

    assert_equal(*[job, placed].map { |state| state.measures[0].size_px.map { |px| px.round(9) } })
  end
end
