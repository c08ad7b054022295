# frozen_string_literal: true

require_relative "server_test_case"

describe "models on the server" do
  include ServerTestCase

  it "takes a model with what belongs to it, and shows its picture" do
    picture = Demo::TeaCaddy.pictures["caddy-lid.png"]
    job =
      upload_files(
        "tea caddy.obj" => "mtllib a.mtl\n#{Demo::TeaCaddy.obj}",
        "a.mtl" => "newmtl card\nKd 1 0.5 0\nmap_Kd lid & co.png\n",
        "lid & co.png" => picture
      )

    assert_equal "tea caddy", job[:name]
    assert_equal [{ name: "card", color: [1.0, 0.5, 0.0, 1.0], image: "lid & co.png", faces: 6 }], job[:materials]
    assert_equal [["picture", "sheet", "lid & co"]],
                 job[:artwork][:layers].map { |layer| [layer[:content][:kind], layer[:place][:kind], layer[:name]] }
    assert_empty job[:notes]
  end

  it "notes a picture that can't be shown, and opens the job all the same" do
    job =
      upload_files(
        "a.obj" => "mtllib a.mtl\n#{Demo::TeaCaddy.obj}",
        "a.mtl" => "newmtl card\nmap_Kd x.png\n",
        "x.png" => "no picture"
      )

    assert_equal ["picture_not_read"], job[:notes].map { |note| note[:code] }
    assert_empty job[:artwork][:layers]
  end

  it "says so when no file came along" do
    post "/api/jobs", {}, "HTTP_HOST" => "127.0.0.1"

    assert_failure 422, "input", /no file came along/
  end

  it "makes solids by measures, and names the one that is wrong" do
    kinds = ask(:get, "/api/solids")[:solids]

    assert_equal %w[box rounded_box cylinder cone plane ring torus ball], kinds.map { |solid| solid[:kind] }
    job = ask(:post, "/api/solids", { kind: "cylinder", measures: { diameter_mm: 50, height_mm: 20.5 } })

    assert_equal [201, "Cylinder", 20.5], [last_response.status, job[:name], job[:bounds_mm][:max][1]]
    ask(:post, "/api/solids", { kind: "cylinder", measures: { diameter_mm: -1 } })

    assert_failure 422, "input", /diameter is -1/
    assert_equal({ solid: "cylinder", measure: "diameter_mm" }, json[:error][:where])
  end

  it "reports the preflight of a revision, as the sample that the front end is tested with" do
    job = start_job
    report = ask(:get, "/api/jobs/#{job[:id]}/preflight?revision=#{job[:revision]}")

    assert_equal JSON.parse(data("api/preflight.json"), symbolize_names: true), report
    finding = report[:findings][0]
    mended = change(job, finding[:mend][:operation], **finding[:mend][:parameters])

    assert_empty ask(:get, "/api/jobs/#{job[:id]}/preflight?revision=#{mended[:revision]}")[:findings]
  end

  it "names the worst faces, and the bands of the maps" do
    job = change(start_job, "transform_islands", islands: [4], scale: [0.5, 1])
    worst = ask(:get, "/api/jobs/#{job[:id]}/worst_faces?by=stretch")[:faces]

    assert_equal [4, 4], worst[0].values_at(:face, :island)
    assert_in_delta 2, worst[0][:value], 1e-9
    assert_equal %i[stretch density], ask(:get, "/api/legends").keys
    ask(:get, "/api/jobs/#{job[:id]}/worst_faces?by=mood")

    assert_failure 422, "input", /no map of "mood"/
    %w[checker stretch density].each do |look|
      get "/api/jobs/#{job[:id]}/#{look}.png?revision=#{job[:revision]}", {}, "HTTP_HOST" => "127.0.0.1"

      assert_equal "\x89PNG".b, last_response.body.byteslice(0, 4)
    end
  end

  it "tells which island lies across each outline" do
    job = start_job
    get "/api/jobs/#{job[:id]}/arrays/edge_neighbours?revision=#{job[:revision]}", {}, "HTTP_HOST" => "127.0.0.1"
    map = Models.map(Demo::TeaCaddy.obj)
    near = Numo::Int32.from_binary(last_response.body).to_a.zip(map.edges.islands.to_a)
    # Each panel of a carton meets four others, its opposite one never.
    by_island = near.group_by(&:last).transform_values { |pairs| pairs.map(&:first).sort }
    names = map.island_names

    assert_equal %w[Bottom Left Right Top], by_island[names.index("Front")].map { |island| names[island] }.sort
    assert_equal [4], by_island.values.map { |islands| islands.uniq.size }.uniq
  end
end
