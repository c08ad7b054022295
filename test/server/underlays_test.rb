# frozen_string_literal: true

require_relative "server_test_case"

describe "underlays on the server" do
  include ServerTestCase

  def heron
    job = upload("/api/jobs", Demo::Heron.obj, "heron.obj")
    picture =
      upload("/api/jobs/#{job[:id]}/pictures", Demo::Heron.pictures.values.first, "heron-template.png")[:pictures].first
    change(job, "add_underlay", picture: picture[:digest], resize: true)
  end

  def get_bytes(path)
    get path, {}, "HTTP_HOST" => "127.0.0.1"
    last_response.body
  end

  it "lays a picture under the islands, finds its cells, matches and sets the islands in" do
    job = heron

    assert_equal [[96, 64], 0, "heron-template.png"],
                 [job[:sheet].values, job[:fit_setup][:shown], job[:fit_setup][:underlays][0][:name]]
    found = ask(:post, "/api/jobs/#{job[:id]}/underlays/0/cells?revision=#{job[:revision]}", {})[:cells]

    assert_equal 48, found.size
    job = change(job, "set_cells", index: 0, cells: found)

    assert_equal [[0], [4]],
                 [job[:fit_setup][:underlays][0][:cells][0]].map { |cell| [cell[:corners_px].size] }
                   .then { |sizes| [[job[:fit_setup][:shown]], sizes.first] }
    proposals = ask(:post, "/api/jobs/#{job[:id]}/matches?revision=#{job[:revision]}", {})[:proposals]

    assert_equal 11, proposals.sum { |proposal| proposal[:islands].size }
    job = change(job, "set_into_cells", assignments: proposals.flat_map { |proposal| proposal[:assignments] })

    assert_match(/11 pieces set into cells/, job[:done])
    assert(job[:islands].all? { |island| island[:reading] == "right" })
    borders = ask(:get, "/api/jobs/#{job[:id]}/borders?revision=#{job[:revision]}")[:borders]

    assert_equal 11, borders.size
  end

  it "shows the picture by itself and on the sheet, and hands its cells out as a file" do
    job = heron
    alone = get_bytes("/api/jobs/#{job[:id]}/underlays/0.png?revision=#{job[:revision]}")

    assert_equal ["\x89PNG".b, 96, 64], alone.unpack("a4 x12 N N")
    job = change(job, "correct_underlay", index: 0, recipe: [{ step: "trim", left: 6, top: 4 }])
    laid = get_bytes("/api/jobs/#{job[:id]}/underlay.png?revision=#{job[:revision]}")

    assert_equal [90, 60], laid.unpack("x16 N N")
    job = change(job, "set_cells", index: 0, cells: [{ name: "lid", x: 1, y: 2, width: 3, height: 4 }])
    file = JSON.parse(get_bytes("/api/jobs/#{job[:id]}/underlays/0/cells.json?revision=#{job[:revision]}"))

    assert_equal [90, 60, ["lid", 1, 2, 3, 4]],
                 [file["width_px"], file["height_px"], file["cells"][0].values_at("name", "x", "y", "width", "height")]
    assert_match(/heron-template-cells\.json/, last_response.headers["content-disposition"])
  end

  it "divides a picture into a grid, and says what a swap would bring" do
    job = heron
    grid =
      ask(
        :post,
        "/api/jobs/#{job[:id]}/underlays/0/cells?revision=#{job[:revision]}",
        { columns: 3, rows: 2, gutter_px: 2 }
      )[
        :cells
      ]

    assert_equal 6, grid.size
    ask(:post, "/api/jobs/#{job[:id]}/underlays/0/cells?revision=#{job[:revision]}", { columns: "3", rows: 2 })

    assert_failure 422, "input", /columns is "3"; give a whole number/
    picture = upload("/api/jobs/#{job[:id]}/pictures", Demo::Skiff.pictures.values.first, "number.png")[:pictures].first
    job = change(job, "add_underlay", picture: picture[:digest])
    swap = ask(:get, "/api/jobs/#{job[:id]}/underlays/0/swap?revision=#{job[:revision]}")

    assert_equal [[96, 64], false], swap.values_at(:size_px, :same)
    ask(:get, "/api/jobs/#{job[:id]}/underlays/7/swap?revision=#{job[:revision]}")

    assert_failure 404, "not_found", /no underlay 7/
  end

  it "composes one sheet of several pictures" do
    job = heron
    digests =
      Demo::TeaCaddy.pictures.map do |name, bytes|
        upload("/api/jobs/#{job[:id]}/pictures", bytes, name)[:pictures].first[:digest]
      end
    composed = ask(:post, "/api/jobs/#{job[:id]}/compositions", { pictures: digests, width_px: 100, height_px: 100 })

    assert_equal [%w[caddy-front caddy-side caddy-lid], [212, 212]],
                 [composed[:cells].map { |cell| cell[:name] }, composed[:picture].values_at(:width_px, :height_px)]
    ask(:post, "/api/jobs/#{job[:id]}/compositions", { pictures: ["0" * 64] })

    assert_failure 404, "not_found", /not in the job/
  end

  it "keeps landmarks, tells what they are off by, and suggests the next" do
    job = change(heron, "set_landmarks", landmarks: [{ point: 0, to_px: [4, 5] }])
    mark = job[:fit_setup][:landmarks][0]

    assert_equal [[4, 5], 0], [mark[:to_px].map(&:round), mark[:island]]
    assert_in_delta Math.hypot(*mark[:at_px].zip([4, 5]).map { |a, b| a - b }), mark[:off_px], 1e-6
    again = change(job, "set_landmarks", landmarks: [mark.slice(:triangle, :shares, :to_px)])

    assert_equal mark, again[:fit_setup][:landmarks][0]
    suggested = ask(:get, "/api/jobs/#{job[:id]}/landmarks/next?revision=#{again[:revision]}&island=0")[:at_px]

    assert_equal 2, suggested.size
  end
end
