# frozen_string_literal: true

require_relative "server_test_case"
require_relative "../running_server"

describe "what the server refuses" do
  include ServerTestCase

  it "answers its own address only" do
    get "/api/jobs", {}, "HTTP_HOST" => "elsewhere.example"

    assert_equal 403, last_response.status
  end

  it "takes no change from a page of another origin" do
    ask(:post, "/api/jobs", {}, "HTTP_ORIGIN" => "http://elsewhere.example")

    assert_equal 403, last_response.status
    assert_equal 0, @database[:jobs].count
  end

  it "lets pages load its own files only" do
    get "/", {}, "HTTP_HOST" => "127.0.0.1"
    policy = last_response["content-security-policy"]

    assert_includes policy, "default-src 'none'"
    assert_includes policy, "script-src 'self'"
  end

  it "names the file and the fault of a model that can't be read" do
    {
      "empty.obj" => ["", /empty\.obj is empty/],
      "notes.obj" => ["hello", /notes\.obj is not an OBJ file/],
      "program.obj" => ["\x7FELF\0\0\1".b, /not text/],
      "half.zip" => ["PK\x03\x04\0\0".b, /half\.zip is a damaged zip/],
      "far.obj" => ["v 0 0 0\nf 1 2 3\n", /far\.obj wasn't read\. Line 2: vertex 2 does not exist/],
      "nan.obj" => ["v 0 nan 0\nf 1 1 1\n", /nan\.obj wasn't read\. Line 1: "nan"/]
    }.each do |name, (bytes, message)|
      upload("/api/jobs", bytes, name)

      assert_failure 422, "format", message
    end
    assert_equal 0, @database[:jobs].count
  end

  it "refuses what is no image, whatever its name" do
    job = start_job
    upload("/api/jobs/#{job[:id]}/pictures", "no image", "label.png")

    assert_failure 422, "format", /label\.png is not an image/
    bytes = Demo::TeaCaddy.pictures["caddy-front.png"]
    upload("/api/jobs/#{job[:id]}/pictures", bytes.byteslice(0, bytes.bytesize / 2), "half.png")

    assert_failure 422, "format", /half\.png/
    assert_empty ask(:get, "/api/jobs/#{job[:id]}")[:pictures]
  end

  it "refuses 500 MB by the length announced, before reading it" do
    post "/api/jobs",
         "v",
         "CONTENT_LENGTH" => (500 * 1_048_576).to_s,
         "CONTENT_TYPE" => "text/plain",
         "HTTP_HOST" => "127.0.0.1"

    assert_failure 413, "limit", /too large: 500 MB; at most 200 MB/
  end

  it "says what is wrong with a request's body" do
    job = start_job
    { "{" => /not JSON/, "[1]" => /not a JSON object/ }.each do |body, message|
      post "/api/jobs/#{job[:id]}/operations", body, "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1"

      assert_failure 422, "input", message
    end
  end

  it "tells nothing of its own faults but that there was one" do
    @api
      .workshop
      .jobs
      .stub(:list, -> { raise NoMethodError, "secret" }) do
        errors = StringIO.new
        get "/api/jobs", {}, "HTTP_HOST" => "127.0.0.1", "rack.errors" => errors

        assert_failure 500, "internal", /nothing of yours was changed/
        refute_includes last_response.body, "secret"
        assert_includes errors.string, "secret"
      end
  end
end

describe "a server that is killed" do
  it "has lost nothing that it answered" do
    Dir.mktmpdir do |folder|
      server = RunningServer.new(File.join(folder, "jobs.sqlite"))
      job = server.post("/api/solids", JSON.generate(kind: "box", measures: {}))
      4.times do |i|
        body =
          JSON.generate(
            base_revision: job["revision"],
            name: "transform_islands",
            parameters: {
              islands: [i % 6],
              move_px: [i, 1]
            }
          )
        job = server.post("/api/jobs/#{job["id"]}/operations", body)
      end
      server.kill
      server.start
      again = server.get("/api/jobs/#{job["id"]}")

      assert_equal job["revision"], again["revision"]
      assert_equal job["islands"], again["islands"]
    ensure
      server&.kill
    end
  end
end
