# frozen_string_literal: true

require_relative "server_test_case"
require_relative "../../bench/surfaces"
require_relative "../../demo/build"

describe "cutting and laying flat on the server" do
  include ServerTestCase

  def tin(sides: 12) = ask(:post, "/api/solids", { kind: "cylinder", measures: { sides: sides } })

  def pick(job, way, kind = "edges", **from)
    ask(:post, "/api/jobs/#{job[:id]}/picks/#{way}?revision=#{job[:revision]}", { kind: kind, **from })[:indices]
  end

  it "picks, proposes cuts, and says what each piece lacks" do
    job = tin
    rims = pick(job, "angle", angle_deg: 60)

    assert_equal 24, rims.size
    assert_equal 12, pick(job, "loop", edge: rims.first).size
    assert_empty pick(job, "suggestion")
    job = change(job, "mark_seams", edges: (0...36).to_a - rims, cut: false)
    pieces = ask(:get, "/api/jobs/#{job[:id]}/pieces?revision=#{job[:revision]}")

    assert_equal [3, ["it has 2 borders; cut from one to the next", nil, nil]],
                 [pieces[:count], pieces[:pieces].map { |piece| piece[:missing_cut] }]
    assert_equal 1, pick(job, "suggestion").size
    ask(:post, "/api/jobs/#{job[:id]}/picks/guess", { kind: "edges" })

    assert_failure 422, "unknown_name", /no way to pick "guess"; there are loop, ring, run/
    ask(:post, "/api/jobs/#{job[:id]}/picks/loop", { kind: "edges" })

    assert_failure 422, "input", /edge is lacking; give one edge: its number from 0/
    ask(:post, "/api/jobs/#{job[:id]}/picks/loop", { kind: "edges", edge: 0, luck: 1 })

    assert_failure 422, "input", /there is no parameter luck; there are edge/
    get "/api/jobs/#{job[:id]}/arrays/triangle_pieces?revision=#{job[:revision]}", {}, "HTTP_HOST" => "127.0.0.1"

    assert_equal 3, Numo::Int32.from_binary(last_response.body).to_a.uniq.size
  end

  it "shows where a drawn seam is left open, and what closes it" do
    job = change(tin, "start_seams", from: "none")
    rim = pick(job, "loop", edge: pick(job, "angle", angle_deg: 60).first)
    job = change(job, "mark_seams", edges: rim.drop(1))
    ends = ask(:get, "/api/jobs/#{job[:id]}/pieces?revision=#{job[:revision]}")[:open_ends]

    assert_equal [2, [rim.first]], [ends.size, ends.map { |open_end| open_end[:gap] }.uniq.flatten]
  end

  it "tells how near islands would come where a hand has them" do
    job = start_job
    stand = ->(**parameters) { ask(:post, "/api/jobs/#{job[:id]}/clearances?revision=#{job[:revision]}", parameters) }
    # Front and Left are 24 px apart.
    answer = stand.call(islands: [0], change: [1, 0, 10, 0, 1, 0])

    assert_in_delta 14, answer[:gap_px], 1e-6
    assert_equal [1, [], [4.0, 4.0]],
                 [answer[:nearest], answer[:over], answer[:density_px_per_mm].map { |value| value.round(6) }]
    assert_equal [1], stand.call(islands: [0], change: [1, 0, 30, 0, 1, 0])[:over]
    stand.call(islands: [0], change: [1, 0])

    assert_failure 422, "input", /change is \[1, 0\]; give 6 numbers/
    stand.call(islands: [77], change: [1, 0, 0, 0, 1, 0])

    assert_failure 422, "input", /no island 77/
  end

  it "tells the plane of symmetry and its tolerance" do
    answer = tin.then { |job| ask(:get, "/api/jobs/#{job[:id]}/symmetry?revision=#{job[:revision]}") }

    assert_equal "x = 0", answer[:plane]
    assert_operator answer[:error_mm], :<=, answer[:tolerance_mm]
    lopsided = start_job("v 0 0 0\nv 10 0 0\nv 3 7 0\nv 1 2 9\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n")

    assert_nil ask(:get, "/api/jobs/#{lopsided[:id]}/symmetry?revision=#{lopsided[:revision]}")[:plane]
  end

  it "fits a band to picked faces" do
    job = tin(sides: 24)
    side =
      pick(
        job,
        "facing",
        "faces",
        picked: [
          pick(job, "others", "faces", picked: []).find { |face| pick(job, "flat", "faces", picked: [face]).size == 1 }
        ],
        angle_deg: 40
      )
    band = ask(:post, "/api/jobs/#{job[:id]}/bands?revision=#{job[:revision]}", { faces: side })

    assert_equal "cylinder", band[:kind]
    assert_in_delta 1, band[:axis][1], 1e-6
    assert_operator band[:error], :<, 1e-6
    ask(:post, "/api/jobs/#{job[:id]}/bands", { faces: [] })

    assert_failure 422, "input", /no face is picked; pick some first/
  end

  it "shows what an operation would do, and does nothing" do
    job = start_job
    preview =
      ask(
        :post,
        "/api/jobs/#{job[:id]}/previews?revision=#{job[:revision]}",
        { name: "transform_islands", parameters: { islands: [0], move_px: [12.5, 0] } }
      )
    box = job[:islands][0][:box_px]

    assert_equal [job[:islands][0][:name]], preview[:islands].map { |island| island[:name] }
    [1, 0, 12.5, 0, 1, 0].zip(preview[:islands][0][:move_px]) { |want, got| assert_in_delta want, got, 1e-9 }
    assert_equal [box[0] + 12.5, box[2] + 12.5].map { |x| (x * 100).round },
                 preview[:lines].each_slice(2).map(&:first).minmax
    assert_equal job[:revision], ask(:get, "/api/jobs/#{job[:id]}")[:revision]
    ask(:post, "/api/jobs/#{job[:id]}/previews", { name: "transform_islands", parameters: { islands: [99] } })

    assert_failure 422, "invalid_operation", /no island 99/
  end

  # @return [Array<Hash>] lines of work that is watched
  def watch(job, name, **parameters)
    post "/api/jobs/#{job[:id]}/watches?revision=#{job[:revision]}",
         JSON.generate(name: name, parameters: parameters),
         "HTTP_HOST" => "127.0.0.1",
         "CONTENT_TYPE" => "application/json"
    last_response.body.lines.map { |line| JSON.parse(line, symbolize_names: true) }
  end

  it "tells each step of relaxing, and an error as one" do
    job =
      ask(:post, "/api/solids", { kind: "ball", measures: { sides: 16 } }).then do |ball|
        change(ball, "lay_flat", by: "wrap", seams: "none")
      end
    lines = watch(job, "relax", islands: [0], border: "held", steps: 3)

    assert_equal({ done: true }, lines.last)
    assert_equal (1...lines.size).to_a, lines[0...-1].map { |line| line[:facts][:step] }
    assert_operator lines[-2][:facts][:spacing], :<=, lines[0][:facts][:spacing]
    assert_equal 0, lines[0][:lines].size % 4
    ask(:post, "/api/jobs/#{job[:id]}/watches", { name: "relax", parameters: { islands: [5] } })

    assert_failure 422, "invalid_operation", /no island 5/
  end

  it "tells each attempt at packing, which the operation then repeats" do
    plates = [[[0, 0], [80, 0], [80, 50], [0, 50]], [[90, 0], [130, 0], [130, 30], [90, 30]]]
    job = start_job(Bench::Surfaces.flat(plates), name: "plates.obj")
    lines = watch(job, "pack", turn: "quarter", gutter_px: 4)
    attempts = lines[0...-1].map { |line| line[:facts] }
    best = attempts.reverse.find { |attempt| attempt[:best] }
    taken = change(job, "pack", turn: "quarter", gutter_px: 4, attempt: best[:attempt])

    assert_equal({ done: true }, lines.last)
    assert_equal (0...12).to_a, attempts.map { |attempt| attempt[:attempt] }
    assert_in_delta best[:density_px_per_mm], taken[:density_px_per_mm], 1e-9
    assert_operator best[:share_used], :>, 0.6
    ask(:post, "/api/jobs/#{job[:id]}/watches", { name: "pack", parameters: { turn: "sideways" } })

    assert_failure 422, "invalid_operation", /give none, quarter, free/
  end

  it "tells weights, locks, stacks and what is reserved" do
    job = change(start_job, "weigh_islands", islands: [1], weight: 2)
    job = change(job, "plan_sheet", margin_px: 6, reserved: [[0, 0, 64, 32]])
    job = change(job, "stack_twins")
    job = change(job, "lock_islands", islands: [2])

    assert_equal [1.0, 2.0], job[:islands].first(2).map { |island| island[:weight] }
    assert_equal [true, [0, 3]], [job[:islands][2][:locked], job[:islands][0][:stack]]
    assert_equal [6, [[0, 0, 64, 32]]], job.values_at(:margin_px, :reserved_px)
  end

  it "keeps maps aside and tells of them what can be compared" do
    job = change(start_job, "keep_map", name: "as it came")
    job = change(job, "transform_islands", islands: [0], scale: [2, 1])
    now, kept = %w[map kept_maps/0].map { |path| ask(:get, "/api/jobs/#{job[:id]}/#{path}?revision=#{job[:revision]}") }

    assert_equal ["as it came"], job[:kept_maps]
    assert_equal "as it came", kept[:name]
    assert_operator now[:summary][:stretch_worst], :>, kept[:summary][:stretch_worst]
    refute_empty kept[:lines]
    assert_equal [job[:islands][0][:name]], kept[:changes].map { |change| change[:name] }
    assert_in_delta Math.sqrt(2), kept[:changes][0][:scale], 1e-9
    ask(:get, "/api/jobs/#{job[:id]}/kept_maps/4")

    assert_failure 404, "not_found", /no kept map 4/
  end
end
