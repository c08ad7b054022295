# frozen_string_literal: true

require_relative "server_test_case"

describe "files and views of the server" do
  include ServerTestCase

  def fetch(path) = get(path, {}, "HTTP_HOST" => "127.0.0.1")

  it "sends the trace that the core draws" do
    job = start_job
    options = "width_px=512&height_px=256&line_px=2&edges=outline&background=white"
    fetch "/api/jobs/#{job[:id]}/trace.png?revision=#{job[:revision]}&#{options}"
    drawing =
      SheetTrace::Trace::Template.call(
        Models.job(Demo::TeaCaddy.obj).layout,
        size: SheetTrace::Layout::Sheet.new(width_px: 512, height_px: 256),
        line_px: 2.0,
        edges: "outline",
        background: "white"
      )

    assert same_pixels?(drawing.to_image, last_response.body)
    assert_match(/attachment; filename="tea-caddy-trace-512x256\.png"/, last_response["content-disposition"])
  end

  it "delivers a zip with texture and model of one name" do
    job = start_job
    fetch "/api/jobs/#{job[:id]}/deliver.zip?width_px=64&height_px=64"

    assert_equal %w[tea-caddy.obj tea-caddy.mtl tea-caddy.png], Zip::File.open_buffer(last_response.body).map(&:name)
  end

  it "sends arrays as they stand in the core" do
    job = start_job
    fetch "/api/jobs/#{job[:id]}/arrays/points?revision=#{job[:revision]}"

    assert_equal Numo::SFloat.cast(Models.job(Demo::TeaCaddy.obj).layout.points_px),
                 Numo::SFloat.from_binary(last_response.body, [24, 2])
    assert_includes last_response["cache-control"], "immutable"
    fetch "/api/jobs/#{job[:id]}/arrays/edge_outlines,points?revision=#{job[:revision]}"
    outlines = last_response.body.unpack1("L<")

    assert_equal [24 * 4, 24 * 2 * 4], [outlines, last_response.body[4 + outlines, 4].unpack1("L<")]
    assert_equal 8 + (24 * 4) + (24 * 2 * 4), last_response.body.bytesize
    fetch "/api/jobs/#{job[:id]}/arrays/points,nothing"

    assert_failure 404, "not_found", /no array nothing/
  end

  it "draws chart, checker and thumbnail" do
    job = start_job
    { "chart" => 1024, "checker" => 1024, "thumbnail" => 320 }.each do |kind, side|
      fetch "/api/jobs/#{job[:id]}/#{kind}.png?revision=#{job[:revision]}"

      assert_equal ["\x89PNG".b, side, side], last_response.body.unpack("a4 x12 N N"), kind
    end
  end

  it "sends templates, deliveries and print files as they are asked for" do
    job = start_job
    at = "/api/jobs/#{job[:id]}"
    SheetTrace::Formats::Drawings::KINDS.each do |kind, about|
      fetch "#{at}/trace.#{kind}?width_px=64&height_px=64&marks=names,arrows&fill=tint"

      assert_equal [200, about[:media_type]], [last_response.status, last_response.media_type], kind
    end
    fetch "#{at}/deliver.zip?width_px=64&height_px=64&format=glb&image=jpg&manifest=true"

    assert_equal %w[tea-caddy-files.txt tea-caddy.glb], Zip::File.open_buffer(last_response.body).map(&:name).sort
    fetch "#{at}/print.pdf?island=0&dpi=72"

    assert_equal %w[application/pdf %PDF], [last_response.media_type, last_response.body[0, 4]]
    assert_match(/tea-caddy-Front-label\.pdf/, last_response["content-disposition"])
    {
      "trace.gif" => /give png/,
      "trace.png?marks=stars" => /entry 1/,
      "print.pdf?island=99" => /no island 99/,
      "deliver.zip?editions=7" => /no edition 7/
    }.each do |path, message|
      fetch "#{at}/#{path}"

      assert_failure 422, "input", message
    end
  end

  it "gives a picture back to the byte" do
    job = start_job
    bytes = Demo::TeaCaddy.pictures["caddy-lid.png"]
    picture = upload("/api/jobs/#{job[:id]}/pictures", bytes, "lid.png")[:pictures].first
    fetch "/api/jobs/#{job[:id]}/pictures/#{picture[:digest]}"

    assert_equal [bytes, "image/png"], [last_response.body, last_response.media_type]
  end

  it "shows each edition on the model, from one place" do
    job = change(start_job, "add_layer", content: { kind: "fill", color: "#2f5a45" })
    job =
      change(
        change(job, "add_edition", name: "Plum"),
        "replace_in_edition",
        id: "layer-1",
        content: {
          kind: "fill",
          color: "#7b3f72"
        }
      )
    middles =
      [0, 1].map do |edition|
        fetch "/api/jobs/#{job[:id]}/editions/#{edition}/model.png?revision=#{job[:revision]}&view=front"
        Vips::Image.new_from_buffer(last_response.body, "").getpoint(200, 200)
      end

    assert_operator middles[0][1], :>, middles[0][0]
    assert_operator middles[1][0], :>, middles[1][1]
    fetch "/api/jobs/#{job[:id]}/editions/0/model.png?revision=#{job[:revision]}&view=inside"

    assert_failure 422, "input", /give corner/
  end

  it "tells the main colours of a picture" do
    job = start_job
    picture =
      upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-lid.png"], "lid.png")[:pictures].first
    fetch "/api/jobs/#{job[:id]}/pictures/#{picture[:digest]}/colors"

    ground = Vips::Image.new_from_buffer(Demo::TeaCaddy.pictures["caddy-lid.png"], "").getpoint(8, 8).first(3)

    assert_equal [format("#%02x%02x%02x", *ground.map(&:round)), "#2f5a45"], json[:colors].first(2)
  end

  it "gives a whole job as one file, and opens it again" do
    job = start_job
    upload("/api/jobs/#{job[:id]}/pictures", Demo::TeaCaddy.pictures["caddy-lid.png"], "lid.png")
    moved = change(job, "transform_islands", islands: [0], move_px: [3, 4])
    fetch "/api/jobs/#{job[:id]}/job.zip"
    again = upload_files("tea-caddy-job.zip" => last_response.body)

    assert_equal [moved[:name], moved[:layout_code], ["lid.png"]],
                 [again[:name], again[:layout_code], again[:pictures].map { |picture| picture[:name] }]
    refute_equal job[:id], again[:id]
    assert_match(/tea-caddy-job.zip opened/, again[:done])
    fetch "/api/jobs/#{again[:id]}/recipe.zip"
    recipe = Zip::File.open_buffer(last_response.body)

    assert_match(
      /transform_islands/,
      recipe.entries.map { |entry| recipe.read(entry) }.find { |text| text.include?("operations") }
    )
  end

  it "tells which template a picture was painted over, and shows the templates" do
    job = start_job
    job = change(job, "note_export", width_px: 1024, height_px: 1024, at: "2026-05-01T10:00:00Z")
    fetch "/api/jobs/#{job[:id]}/trace.png?width_px=512&height_px=512&background=white"
    painted = upload("/api/jobs/#{job[:id]}/pictures", last_response.body, "painted.png")[:pictures].first
    fetch "/api/jobs/#{job[:id]}/pictures/#{painted[:digest]}/painted-on"

    assert_equal [job[:layout_code], 1.0, "code", 1], json.values_at(:code, :certainty, :by, :guide_px)
    assert_equal [
                   {
                     code: job[:layout_code],
                     width_px: 1024,
                     height_px: 1024,
                     at: "2026-05-01T10:00:00Z",
                     present: true,
                     fits: true
                   }
                 ],
                 json[:templates]
    fetch "/api/jobs/#{job[:id]}/templates/#{job[:layout_code]}.png?revision=#{job[:revision]}"

    assert_equal 160, Vips::Image.new_from_buffer(last_response.body, "").width
    fetch "/api/jobs/#{job[:id]}/templates/AAAA-AAAA.png?revision=#{job[:revision]}"

    assert_failure 404, "not_found", /no template of layout AAAA-AAAA/
  end

  it "names the value that a trace can't be drawn with" do
    job = start_job
    {
      "width_px=0&height_px=64" => /width is 0; give/,
      "width_px=x&height_px=64" => /width is "x"; give a whole number/,
      "line_px=thick" => /line width is "thick"/,
      "color=red" => /colour is "red"/,
      "islands=99" => /no island 99/,
      "edges=some" => /give all or outline/
    }.each do |query, message|
      fetch "/api/jobs/#{job[:id]}/trace.png?#{query}"

      assert_failure 422, "input", message
    end
  end
end
