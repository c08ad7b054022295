# frozen_string_literal: true

require_relative "server_test_case"

describe "jobs on the server" do
  include ServerTestCase

  # The sample's keys and kinds of values, all the way down; of a list, its first element's.
  def shape(value)
    case value
    when Hash
      value.transform_values { |inner| shape(inner) }
    when Array
      value.first(1).map { |inner| shape(inner) }
    when Numeric
      :number
    when true, false
      :boolean
    else
      value.class.name.downcase.to_sym
    end
  end

  it "answers a job as the sample that the front end is tested with" do
    job = start_job
    picture =
      upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-front.png"], "caddy-front.png")[
        :pictures
      ].first
    job =
      change(
        change(job, "add_layer", content: { kind: "picture", picture: picture[:digest] }),
        "place_picture",
        picture: picture[:digest],
        island: 3
      )
    job =
      change(
        change(job, "add_underlay", picture: picture[:digest]),
        "set_cells",
        index: 0,
        cells: [{ name: "front", x: 10, y: 20, width: 300, height: 400 }]
      )
    job = change(job, "set_landmarks", landmarks: [{ point: 0, to_px: [12, 34] }])

    assert_equal shape(JSON.parse(data("api/job.json"), symbolize_names: true)), shape(job)
    assert_equal shape(JSON.parse(data("api/picture.json"), symbolize_names: true)), shape(picture)
    assert_equal shape(JSON.parse(data("api/jobs.json"), symbolize_names: true)), shape(ask(:get, "/api/jobs"))
  end

  it "answers a fault as the sample that the front end is tested with" do
    start_job("v 0 0 x\nf 1 1 1\n", name: "bad.obj")

    assert_equal 422, last_response.status
    assert_equal JSON.parse(data("api/error.json"), symbolize_names: true), json
  end

  it "keeps one revision an operation, and says what was done" do
    job = start_job
    moved = change(job, "transform_islands", islands: [0], move_px: [10, 0])

    assert_equal "Front: moved 10 px right", moved[:done]
    assert_equal 2, @database[:revisions].count
    assert_equal({ what: "Front: moved 10 px right", elsewhere: false }, moved[:history][:undo])
    assert_in_delta job[:islands][0][:box_px][0] + 10, moved[:islands][0][:box_px][0], 1e-9
  end

  it "tells a page that has a revision only what differs from it" do
    job = start_job
    body = { base_revision: job[:revision], name: "transform_islands", parameters: { islands: [2], move_px: [5, 0] } }
    change = ask(:post, "/api/jobs/#{job[:id]}/operations", body, "HTTP_X_HAS" => job[:revision].to_s)
    whole = ask(:get, "/api/jobs/#{job[:id]}")

    assert_equal job[:revision], change[:since]
    assert_equal [2], change[:islands].map { |island| island[:index] }
    islands = job[:islands].dup.tap { |all| change[:islands].each { |island| all[island[:index]] = island } }

    assert_equal whole, job.merge(change[:changed], islands: islands)
    refute_includes change[:changed], :materials
    same = ask(:get, "/api/jobs/#{job[:id]}", nil, "HTTP_X_HAS" => whole[:revision].to_s)

    assert_equal [{}, []], [same[:changed], same[:islands]]
  end

  it "tells all of it where islands came or went, and where it knows nothing of the revision" do
    job = start_job
    body = { base_revision: job[:revision], name: "lay_flat", parameters: { by: "square_on", seams: "all" } }
    flat = ask(:post, "/api/jobs/#{job[:id]}/operations", body, "HTTP_X_HAS" => job[:revision].to_s)

    assert_equal flat[:since].nil?, flat.key?(:islands) && flat.key?(:materials)
    ["99", "x", "", start_job[:revision].to_s].each do |revision|
      assert_includes ask(:get, "/api/jobs/#{job[:id]}", nil, "HTTP_X_HAS" => revision), :materials
    end
  end

  it "tells whose step undo takes back" do
    job = start_job
    body = { base_revision: job[:revision], name: "transform_islands", parameters: { islands: [0], move_px: [10, 0] } }
    moved = ask(:post, "/api/jobs/#{job[:id]}/operations", body, "HTTP_X_PAGE" => "left")

    refute moved[:history][:undo][:elsewhere]
    seen = ask(:get, "/api/jobs/#{job[:id]}", "HTTP_X_PAGE" => "right")

    assert seen[:history][:undo][:elsewhere]
    undone = ask(:post, "/api/jobs/#{job[:id]}/undo", {}, "HTTP_X_PAGE" => "right")

    assert_equal "Undone: Front: moved 10 px right (a step of another page)", undone[:done]
    assert undone[:history][:redo][:elsewhere]
    again = ask(:post, "/api/jobs/#{job[:id]}/redo", {}, "HTTP_X_PAGE" => "left")

    assert_equal "Done again: Front: moved 10 px right", again[:done]
  end

  it "takes degrees and gives degrees" do
    assert_in_delta 30,
                    change(start_job, "transform_islands", islands: [0], turn_deg: 30)[:islands][0][:up_angle_deg],
                    1e-9
  end

  it "undoes and does again, also after a restart" do
    job = start_job
    change(change(job, "transform_islands", islands: [0], move_px: [10, 0]), "rename_island", island: 0, name: "Face")
    restart
    undone = 2.times.map { ask(:post, "/api/jobs/#{job[:id]}/undo") }

    assert_equal ["Undone: Front is now called Face", "Undone: Front: moved 10 px right"],
                 undone.map { |step| step[:done] }
    assert_equal job[:islands], undone.last[:islands]
    assert_equal "There is nothing to undo", ask(:post, "/api/jobs/#{job[:id]}/undo")[:done]
    restart
    2.times { ask(:post, "/api/jobs/#{job[:id]}/redo") }

    assert_equal "Face", json[:islands][0][:name]
    assert_equal "There is nothing to redo", ask(:post, "/api/jobs/#{job[:id]}/redo")[:done]
  end

  it "drops what was undone when something new is done" do
    job = start_job
    moved = change(job, "transform_islands", islands: [0], move_px: [10, 0])
    undone = ask(:post, "/api/jobs/#{job[:id]}/undo")
    renamed = change(undone, "rename_island", island: 1, name: "Gable")

    assert_nil renamed[:history][:redo]
    refute_equal moved[:revision], renamed[:revision]
  end

  it "refuses a change to a revision that is not the one shown" do
    job = start_job
    change(job, "transform_islands", islands: [0], move_px: [10, 0])
    change(job, "transform_islands", islands: [0], move_px: [10, 0])

    assert_failure 409, "conflict", /changed elsewhere/
  end

  it "leaves the job as it was when an operation is refused" do
    job = start_job
    change(job, "resize_sheet", width_px: 0, height_px: 100_000)

    assert_failure 422, "invalid_operation", /width is 0; give/
    assert_equal job, ask(:get, "/api/jobs/#{job[:id]}")
  end

  it "renames and deletes, and lets go of what no job uses" do
    job = start_job
    upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-lid.png"], "lid.png")

    assert_equal "Caddy of mine", ask(:patch, "/api/jobs/#{job[:id]}", { name: " Caddy of mine " })[:name]
    ask(:patch, "/api/jobs/#{job[:id]}", { name: "" })

    assert_failure 422, "input", /give 1 to 80 characters/
    ask(:delete, "/api/jobs/#{job[:id]}")

    assert_equal 204, last_response.status
    assert_equal [0, 0, 0, 0], %i[jobs revisions blobs pictures].map { |table| @database[table].count }
    ask(:get, "/api/jobs/#{job[:id]}")

    assert_failure 404, "not_found", /doesn't exist/
  end

  it "keeps what two jobs share until both are gone" do
    first, second = Array.new(2) { start_job }
    ask(:delete, "/api/jobs/#{first[:id]}")
    restart

    assert_equal first[:islands], ask(:get, "/api/jobs/#{second[:id]}")[:islands]
  end

  it "copies a job with its history and its files, and the copy goes its own way" do
    job = change(start_job, "transform_islands", islands: [0], move_px: [10, 0])
    job = change(job, "transform_islands", islands: [0], move_px: [0, 5])
    ask(:post, "/api/jobs/#{job[:id]}/undo")
    copy = ask(:post, "/api/jobs/#{job[:id]}/copy")

    assert_equal 201, last_response.status
    assert_equal ["tea-caddy copy", 34.0], [copy[:name], copy[:islands][0][:box_px][0]]
    refute_nil copy[:history][:redo]
    assert_equal "tea-caddy copy 2", ask(:post, "/api/jobs/#{copy[:id]}/copy")[:name]

    change(copy, "transform_islands", islands: [0], move_px: [7, 0])
    ask(:delete, "/api/jobs/#{job[:id]}")
    get "/api/jobs/#{copy[:id]}/recipe.zip", {}, "HTTP_HOST" => "127.0.0.1"

    assert_equal 200, last_response.status
    assert_in_delta(41.0, ask(:get, "/api/jobs/#{copy[:id]}")[:islands][0][:box_px][0])
  end

  it "says that a job is gone where it is deleted while it is drawn" do
    job = start_job
    workshop = @api.workshop

    assert_raises(SheetTraceServer::Store::Jobs::NotFound) do
      workshop.image(job[:id], job[:revision], "sheet") do
        workshop.jobs.delete(job[:id])
        workshop.pictures.call("0" * 64)
      end
    end
    # What lacks in a job that is there is a fault of ours, and no lost job.
    other = start_job

    assert_raises(SheetTraceServer::Store::Damaged) do
      workshop.image(other[:id], other[:revision], "sheet") { workshop.pictures.call("0" * 64) }
    end
  end

  it "opens a job without UVs, and says so" do
    job = start_job("v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nf 1 2 3 4\n", name: "plate.obj")

    assert_equal %w[no_uvs faces_projected], job[:notes].map { |note| note[:code] }
    assert_equal 1, job[:islands].size
  end

  it "lays a layer of one job into another with its picture, or says why it can't" do
    job = start_job
    brought = upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-front.png"], "caddy-front.png")
    job = change(job, "place_picture", picture: brought[:pictures].first[:digest], island: 3, width_mm: 30.0)
    other = start_job
    layer = job[:artwork][:layers].last[:id]
    done = ask(:post, "/api/jobs/#{job[:id]}/layers/#{layer}/copies", { to: other[:id], revision: job[:revision] })

    assert_match(/caddy-front laid on/, done[:sentence])
    copied = ask(:get, "/api/jobs/#{other[:id]}")

    assert_equal ["caddy-front.png"], copied[:pictures].map { |own| own[:name] }
    assert_in_delta(30.0, copied[:artwork][:layers].last[:place][:width_mm])
    ask(:post, "/api/jobs/#{job[:id]}/layers/none/copies", { to: other[:id] })

    assert_equal 404, last_response.status
    ask(:post, "/api/jobs/#{job[:id]}/layers/#{layer}/copies", { to: "none" })

    assert_equal 404, last_response.status
  end

  it "lists, marks and compares the states that a job was in, and goes back to one without losing the others" do
    job = start_job
    first = job[:revision]
    moved = change(job, "transform_islands", islands: [0], move_px: [10, 0])
    named = change(moved, "rename_island", island: 0, name: "Lid")
    states = ask(:post, "/api/jobs/#{job[:id]}/history/#{moved[:revision]}/mark", { mark: "Before the lid" })[:states]

    assert_equal [3, 2, 1], states.map { |state| state[:number] }
    assert_equal [nil, "Before the lid", nil], states.map { |state| state[:mark] }
    assert_equal [true, false, false], states.map { |state| state[:shown] }
    lines = ask(:get, "/api/jobs/#{job[:id]}/history/#{first}/differences")[:lines]

    assert_equal 2, lines.size
    back = ask(:post, "/api/jobs/#{job[:id]}/history/#{moved[:revision]}/back", {})

    assert_equal "Back to “Before the lid”", back[:done]
    assert_equal moved[:islands], back[:islands]
    assert_equal 4, ask(:get, "/api/jobs/#{job[:id]}/history")[:states].size
    undone = ask(:post, "/api/jobs/#{job[:id]}/undo")

    assert_equal named[:islands].map { |island| island[:name] }, undone[:islands].map { |island| island[:name] }
    ask(:post, "/api/jobs/#{job[:id]}/redo")
    recipe = ask_bytes("/api/jobs/#{job[:id]}/recipe.zip")

    assert_includes recipe, "transform_islands"
    refute_includes recipe, "rename_island"
    ask(:post, "/api/jobs/#{job[:id]}/history/999999/back", {})

    assert_equal 404, last_response.status
  end

  it "shows a revised model beside the job's own, takes it, and undoes that; recipes have it too" do
    job = start_job
    moved =
      Demo::TeaCaddy
        .obj
        .lines
        .map { |line| line.start_with?("v ") ? "v #{line.split.drop(1).map { |x| x.to_f * 1.002 }.join(" ")}\n" : line }
        .join
    file = upload("/api/jobs/#{job[:id]}/models", moved, "caddy-2.obj")[:digest]
    seen = ask(:get, "/api/jobs/#{job[:id]}/revised/#{file}?revision=#{job[:revision]}")

    assert_equal [0, 6, 0, 0], seen.values_at(:kept, :moved, :added, :lost)
    %w[before after].each do |side|
      get "/api/jobs/#{job[:id]}/revised/#{file}/#{side}.png", {}, "HTTP_HOST" => "127.0.0.1"

      assert_equal 420, Vips::Image.new_from_buffer(last_response.body, "").width
    end
    assert_empty ask(:get, "/api/jobs/#{job[:id]}")[:pictures]
    taken = change(job, "revise_model", file: file)

    assert_match(/caddy-2.obj in the place of tea-caddy.obj/, taken[:done])
    assert_equal job[:islands].map { |island| island[:box_px].map { |px| px.round(3) } },
                 taken[:islands].map { |island| island[:box_px].map { |px| px.round(3) } }
    files = SheetTrace::Formats::Zip::Reader.call(ask_body("/api/jobs/#{job[:id]}/recipe.zip"), name: "a.zip")
    recipe = SheetTrace::Recipe.parse(files.find { |name, _| name.end_with?(".json") }.last)
    run =
      SheetTrace::Recipe::Run.call(
        recipe,
        SheetTrace::Formats.read_files(files.slice("tea-caddy.obj")),
        model_name: "tea-caddy.obj",
        pictures: files.slice("caddy-2.obj")
      )

    assert_in_delta taken[:bounds_mm][:max][1], run.job.bounds_mm.last[1], 1e-6
    back = ask(:post, "/api/jobs/#{job[:id]}/undo")

    assert_equal job[:bounds_mm], back[:bounds_mm]
    upload("/api/jobs/#{job[:id]}/models", "no model", "bad.obj")

    assert_equal 422, last_response.status
  end

  def ask_body(path)
    get path, {}, "HTTP_HOST" => "127.0.0.1"
    last_response.body
  end

  # All that the files of a zip hold.
  def ask_bytes(path)
    SheetTrace::Formats::Zip::Reader.call(ask_body(path), name: "a.zip").values.join
  end
end
